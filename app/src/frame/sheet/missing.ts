import { type Shell, wallsOf } from '@ombra/core/stages/outline';

/** Why a sheet has nothing to show yet: no walls, or walls that a stop keeps from being laid. */
export const whatIsMissing = (shell: Shell): string =>
  wallsOf(shell).length === 0
    ? 'Finish the outline first.'
    : 'The walls cannot be laid as they are: the stops under Outline and Courses say why.';
