import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../doors/JoinScreen').then(({ JoinScreen }) => JoinScreen), '/join');
