/** A file that a job gives to other programs. */
export interface JobFile {
  readonly file: string;
  readonly what: string;
  /** The same as CSV, where it is a table. */
  readonly csv?: string;
}

/** Files of a job, by what they are for. */
export const JOB_FILES: readonly { readonly title: string; readonly files: readonly JobFile[] }[] = [
  {
    title: 'Tables',
    files: [
      { file: 'tally.xlsx', what: 'Tally by course and pour, blocks opened for cuts', csv: 'tally.csv' },
      { file: 'order.xlsx', what: 'Order, bundles by wall', csv: 'order.csv' },
      { file: 'bending.xlsx', what: 'Bending schedule, stock bars', csv: 'bending.csv' },
      { file: 'lumber.xlsx', what: 'Lumber, members and sheets of the bucks', csv: 'lumber.csv' },
      { file: 'gear.xlsx', what: 'Bracing gear, braces by wall', csv: 'gear.csv' },
      { file: 'pour.xlsx', what: 'Concrete by pour, lift, wall and load', csv: 'pour.csv' },
      { file: 'log.xlsx', what: 'The site’s log', csv: 'log.csv' },
    ],
  },
  {
    title: 'Drawings and models',
    files: [
      { file: 'plan.dxf', what: 'Plan, every course and every wall, true size' },
      { file: 'plan.ifc', what: 'Building model: walls, cores, openings, bars, footing' },
      { file: 'strip.svg', what: 'The strip, every wall from inside' },
      { file: 'plan.svg', what: 'The footprint' },
      { file: 'bending.abs', what: 'Bars for a bending machine' },
      { file: 'days.ics', what: 'Days, inspections and bookings for a calendar' },
    ],
  },
  {
    title: 'The job itself',
    files: [
      { file: 'plan.json', what: 'Plan file' },
      { file: 'job.zip', what: 'Plan, log and pictures; opens again from the list of jobs' },
    ],
  },
];
