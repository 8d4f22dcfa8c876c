export { PourScreen as default } from '../../../pour/PourScreen';
