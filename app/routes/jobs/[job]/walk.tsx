import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../walk/WalkScreen').then(({ WalkScreen }) => WalkScreen), '/walk');
