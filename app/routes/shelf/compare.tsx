import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../shelf/CompareScreen').then(({ CompareScreen }) => CompareScreen), '/shelf/compare');
