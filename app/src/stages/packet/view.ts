import type { StageView } from '../../frame/stage';

export const packetView: StageView = {
  id: 'packet',
  name: 'Packet',
  view: {
    shows: [],
    load: async () => (await import('./PacketStage')).PacketStage,
  },
};
