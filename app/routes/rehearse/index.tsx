import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../rehearse/RehearsalsScreen').then(({ RehearsalsScreen }) => RehearsalsScreen), '/rehearse');
