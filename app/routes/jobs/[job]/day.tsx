import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../day/DayScreen').then(({ DayScreen }) => DayScreen), '/day');
