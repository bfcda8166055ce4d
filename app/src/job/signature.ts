import { device } from '../remembered';

const WHO = 'ombra.who';

/** The name that entries of this browser are signed with. */
export const keptName = (): string => device.get(WHO) ?? '';
export const keepName = (name: string): void => {
  device.set(WHO, name);
};
