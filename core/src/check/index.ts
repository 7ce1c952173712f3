export { checkEvent, checkEvents } from './check.ts';
