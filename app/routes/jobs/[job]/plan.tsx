import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../day/PlanScreen').then(({ PlanScreen }) => PlanScreen), '/plan');
