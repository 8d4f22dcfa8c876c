import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../doors/DoorsScreen').then(({ DoorsScreen }) => DoorsScreen), '/doors');
