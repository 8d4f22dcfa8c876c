import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../jobs/JobsScreen').then(({ JobsScreen }) => JobsScreen), '/jobs');
