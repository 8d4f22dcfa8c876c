import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../why/WhyScreen').then(({ WhyScreen }) => WhyScreen), '/why');
