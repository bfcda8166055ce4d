export { StaleDialog } from '../job/StaleDialog';
export { RulesDialog } from '../rules/RulesDialog';
export { KeysDialog } from './KeysDialog';
