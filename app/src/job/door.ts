import { create } from 'zustand';

/** Whether the server refused this device's session. */
const useRefused = create(() => false);

/** Notes from an answer whether this device is signed in. */
export const heedDoor = ({ status }: Response): void => {
  useRefused.setState(status === 401, true);
};

/** Whether this device has to sign in again. */
export const useShutDoor = (): boolean => useRefused();
