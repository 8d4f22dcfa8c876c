export { NoSuchPage as default } from '../parts/chrome/NoSuchPage';
