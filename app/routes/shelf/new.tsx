import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../forms/forms').then(({ SheetEditor }) => SheetEditor), '/shelf/new');
