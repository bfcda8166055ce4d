const WHO = 'ombra.who';

/** The name that entries of this browser are signed with. */
export const keptName = (): string => localStorage.getItem(WHO) ?? '';
export const keepName = (name: string): void => {
  localStorage.setItem(WHO, name);
};
