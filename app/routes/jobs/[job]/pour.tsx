import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../pour/PourScreen').then(({ PourScreen }) => PourScreen), '/pour');
