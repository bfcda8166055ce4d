/** What a reader reads off a truck’s ticket. */
export interface ReadTicket {
  readonly ticket: string;
  readonly volumeM3: number;
  readonly minutesOnTheRoad: number;
}

/** Asks the ticket reader of the machine for a load; null where it cannot be reached, or reads nothing. */
export async function readTicket({
  pour,
  load,
  volume,
}: {
  readonly pour: string;
  readonly load: number;
  readonly volume: number;
}): Promise<ReadTicket | null> {
  const asked = new URLSearchParams({ pour, load: String(load), volume: String(volume) });
  try {
    const response = await fetch(`/api/ticket?${asked.toString()}`);
    if (!response.ok) return null;
    const { ticket } = (await response.json()) as { readonly ticket: ReadTicket };
    return ticket;
  } catch {
    return null;
  }
}
