import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../fix/SystemsScreen').then(({ SystemsScreen }) => SystemsScreen), '/systems');
