export { FixScreen as default } from '../../../fix/FixScreen';
