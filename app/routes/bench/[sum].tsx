import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../bench/SumScreen').then(({ SumScreen }) => SumScreen));
