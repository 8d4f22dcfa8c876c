import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../day/WeekScreen').then(({ WeekScreen }) => WeekScreen), '/week');
