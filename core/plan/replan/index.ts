export { pouredOf } from './pouredOf';
export * from './waysOn';
