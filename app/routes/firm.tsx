export { FirmScreen as default } from '../firm/FirmScreen';
