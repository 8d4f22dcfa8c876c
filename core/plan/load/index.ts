export { loadOf, type Load } from './loadOf';
