export { WalkScreen as default } from '../../../walk/WalkScreen';
