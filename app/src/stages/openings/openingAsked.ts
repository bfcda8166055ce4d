/** Id of the first field of the line that a new opening is typed in. */
export const NEW_OPENING = 'new-opening';

let asked = false;

/** Goes to that line, at once or as soon as it is drawn. */
export function goToNewOpening(): void {
  const field = document.getElementById(NEW_OPENING);
  asked = field === null;
  field?.focus();
}

/** Whether the line was asked for before it was drawn; told once. */
export function wasAskedFor(): boolean {
  const was = asked;
  asked = false;
  return was;
}
