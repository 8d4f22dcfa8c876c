import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../firm/FirmScreen').then(({ FirmScreen }) => FirmScreen), '/firm');
