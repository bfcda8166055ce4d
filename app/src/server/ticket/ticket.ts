/** A truck as it stands before the reader. */
export interface ReadTruck {
  readonly pour: string;
  readonly load: number;
  /** What was ordered, in cubic metres. */
  readonly volume: number;
}

/** What stands on its ticket. */
export interface Ticket {
  readonly ticket: string;
  readonly volumeM3: number;
  /** From batching to the gate. */
  readonly minutesOnTheRoad: number;
}

/** A reader of tickets; a real one may take its place. */
export interface TicketReader {
  readonly read: (truck: ReadTruck) => Promise<Ticket>;
}
