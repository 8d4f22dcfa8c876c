import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../mix/MixScreen').then(({ MixScreen }) => MixScreen), '/mix');
