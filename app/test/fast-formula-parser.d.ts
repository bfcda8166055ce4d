/** The package ships no types; this is what the tests use of it. */
declare module 'fast-formula-parser' {
  interface Cell {
    readonly row: number;
    readonly col: number;
  }
  export default class FormulaParser {
    constructor(config: {
      readonly onCell: (at: Cell) => unknown;
      readonly onRange: (range: { readonly from: Cell; readonly to: Cell }) => unknown;
    });
    parse(formula: string, at: Cell & { readonly sheet: string }): unknown;
  }
}
