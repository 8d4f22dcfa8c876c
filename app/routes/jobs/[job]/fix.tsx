import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../fix/FixScreen').then(({ FixScreen }) => FixScreen), '/fix');
