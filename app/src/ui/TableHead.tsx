interface TableHeadProps {
  /** The first is the row's own name and stands left; the others stand right, over their figures. */
  readonly names: readonly string[];
  /** Columns that stand left though they are not the first. */
  readonly left?: readonly string[];
  /** Columns at the end that need no name, for buttons. */
  readonly bare?: number;
}

/** The head of a table of figures. */
export const TableHead = ({ names, left = [], bare = 0 }: TableHeadProps) => (
  <thead>
    <tr className="border-b border-ink text-sm text-quiet">
      {names.map((name, index) => (
        <th
          key={name}
          scope="col"
          className={`px-1 font-medium ${index === 0 || left.includes(name) ? 'text-left' : 'text-right'}`}
        >
          {name}
        </th>
      ))}
      {Array.from({ length: bare }, (_, index) => (
        <td key={index} />
      ))}
    </tr>
  </thead>
);
