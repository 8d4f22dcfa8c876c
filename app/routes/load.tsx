import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../mix/LoadScreen').then(({ LoadScreen }) => LoadScreen), '/load');
