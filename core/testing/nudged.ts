export { paths } from './tables';
export { UNNUDGED } from './unnudged';
