import type { Trouble } from '@ombra/core/kernel/record';

/** What is done when something goes wrong, and by whom. */
export interface TroubleCard {
  /** Cautions stand first. */
  readonly caution: string;
  readonly steps: readonly { readonly who: string; readonly does: string }[];
  /** What it means for the layers that lie there. */
  readonly layers: string;
  /** Whether the hose stops with it. */
  readonly stops: boolean;
}

/** Cards of what may go wrong. [common practice; lightning: NOAA guidance, from memory] */
export const TROUBLE_CARDS: Readonly<Record<Trouble, TroubleCard>> = {
  bulge: {
    caution: 'A bulging form may burst. Nobody stands before it, or on the planks over it.',
    steps: [
      { who: 'Hose', does: 'Stop here and go on elsewhere.' },
      { who: 'Watcher', does: 'Plywood and a kicker to the ground against it, from the side.' },
      { who: 'Lead', does: 'Do not push it back. What has set in shape stays.' },
      {
        who: 'Hose',
        does: 'Come back in the next round with a lighter hand; the vibrator only on and off there.',
      },
    ],
    layers: 'Skipping it ages the layer there. The walls show by when it must be covered.',
    stops: false,
  },
  blowout: {
    caution:
      'Everyone away from the hole until the hose has stopped. Wet concrete burns skin and eyes: wash it off at once.',
    steps: [
      { who: 'Signal', does: 'Both arms crossed: stop the hose.' },
      { who: 'Watcher', does: 'Plywood on both faces of the hole, screwed to webs, braced to the ground.' },
      { who: 'Crew', does: 'Shovel out what hangs; a bucket or two on the ground is nothing.' },
      { who: 'Lead', does: 'Go on elsewhere. Come back here next round, slowly.' },
    ],
    layers:
      'What ran out is missing in the height and in the balance: tap the height anew when it is plated.',
    stops: true,
  },
  lightning: {
    caution: 'Lightning kills. Thunder that is heard is close enough. This comes before the concrete.',
    steps: [
      { who: 'Signal', does: 'Stop. Boom down and folded.' },
      {
        who: 'Everyone',
        does: 'Off the planks, away from boom, walls and bars; into a building or a vehicle with a roof.',
      },
      { who: 'Lead', does: 'Call the plant: hold the trucks that are not loaded.' },
      {
        who: 'Everyone',
        does: 'Stay away until the board says so. Press again at every thunder: the wait starts anew.',
      },
      { who: 'Lead', does: 'Then look at the age of each top before the hose goes on.' },
    ],
    layers:
      'A top over its working time is a joint: stop, roughen and clean it, and ask the engineer what is done.',
    stops: true,
  },
  pump: {
    caution: 'A blocked line is under pressure. Only the operator opens it.',
    steps: [
      { who: 'Operator', does: 'Says within five minutes how long it takes.' },
      { who: 'Lead', does: 'Call the plant: hold what is not loaded. Ask for a second pump.' },
      { who: 'Crew', does: 'Off the chute or with barrows, cover the oldest tops first.' },
      {
        who: 'Lead',
        does: 'If it cannot be covered in time, set bulkheads at a web and end the lift level.',
      },
    ],
    layers: 'The walls show which top must be covered first. What is over its time is for the engineer.',
    stops: true,
  },
  late: {
    caution: 'Waiting is no reason to hurry afterwards: a wall that rises too fast bulges.',
    steps: [
      { who: 'Lead', does: 'Call the plant: where is it, and what is behind it?' },
      { who: 'Hose', does: 'Stretch what is in the truck over the oldest tops.' },
      { who: 'Crew', does: 'Sight strings, clean, check the kickers meanwhile.' },
    ],
    layers: 'What would help is worked out on the board: slow down, or skip ahead to the oldest top.',
    stops: false,
  },
  load: {
    caution: 'A stiff load makes voids, a wet one presses harder. The mix card says what may be taken.',
    steps: [
      { who: 'Lead', does: 'Slump test. Between the limits it goes in.' },
      {
        who: 'Driver',
        does: 'Too stiff: the plant’s reducer, mix, test again. No water on top of the mix design.',
      },
      { who: 'Lead', does: 'Too wet, or too old: send it back, and call for another at once.' },
      { who: 'Lead', does: 'Write down the ticket and what was done.' },
    ],
    layers: 'A load that is sent back is missing in the balance: the board counts it.',
    stops: false,
  },
  hurt: {
    caution: 'Call the emergency number now. The concrete waits.',
    steps: [
      { who: 'Everyone', does: 'Stop the pump, make the place safe, do not move who may have fallen.' },
      {
        who: 'First aider',
        does: 'First aid. Concrete in the eyes: rinse with clean water for 20 minutes, then a doctor.',
      },
      { who: 'One person', does: 'To the gate, to show the way.' },
      { who: 'Lead', does: 'Leave the place as it is; the authority may have to be told.' },
    ],
    layers: 'Only when everyone is looked after: the age of the tops decides how it goes on.',
    stops: true,
  },
};
