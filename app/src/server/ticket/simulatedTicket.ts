import { chanceOf } from '../chance';
import type { TicketReader } from './ticket';

/** A reader that ships with the application: the tickets of an invented plant, the same for the same truck. */
export const simulatedTicket: TicketReader = {
  read: ({ pour, load, volume }) => {
    const chance = chanceOf(`${pour}:${String(load)}:ticket`);
    return Promise.resolve({
      ticket: `TH-${String(4100 + Math.round(chance * 800) + load)}`,
      volumeM3: volume,
      minutesOnTheRoad: Math.round(26 + chanceOf(`${pour}:${String(load)}:road`) * 14),
    });
  },
};
