import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../record/RecordScreen').then(({ RecordScreen }) => RecordScreen), '/record');
