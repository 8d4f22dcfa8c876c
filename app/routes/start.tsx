import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../doors/StartScreen').then(({ StartScreen }) => StartScreen), '/start');
