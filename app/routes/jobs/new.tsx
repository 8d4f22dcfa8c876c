import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../forms').then(({ JobForm }) => JobForm), '/jobs/new');
