import { createContext, useContext } from 'react';

/** Opens the house rules at one of them. The workbench gives it to whatever names a rule, however deep it stands. */
export const OpenRule = createContext<(rule: string) => void>(() => undefined);

export const useOpenRule = (): ((rule: string) => void) => useContext(OpenRule);
