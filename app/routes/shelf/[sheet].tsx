import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../shelf/SheetScreen').then(({ SheetScreen }) => SheetScreen));
