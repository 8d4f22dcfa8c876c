import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../doors/RecoveryScreen').then(({ RecoveryScreen }) => RecoveryScreen), '/recovery');
