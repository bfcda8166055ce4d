export * from './aci347';
export * from './ciria108';
export * from './fresh';
