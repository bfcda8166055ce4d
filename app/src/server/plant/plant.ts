/** What a plant says of itself on a day. Minutes. */
export interface PlantQuote {
  readonly name: string;
  /** Drive to the site at the hour of the pour, and to load a truck. */
  readonly travel: number;
  readonly load: number;
  /** Trucks that it can spare. */
  readonly trucks: number;
  /** Part of a yard or metre by which it sells. */
  readonly step: '0.1' | '0.25' | '0.5' | '1';
}

/** A ready-mix plant; a real one may take its place. */
export interface Plant {
  readonly quote: (day: Date) => Promise<PlantQuote>;
}
