import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../shelf/ShelfScreen').then(({ ShelfScreen }) => ShelfScreen), '/shelf');
