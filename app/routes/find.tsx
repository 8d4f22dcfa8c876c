import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../find/FindScreen').then(({ FindScreen }) => FindScreen), '/find');
