import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../shelf/ShelfFiles').then(({ ShelfFiles }) => ShelfFiles), '/shelf/files');
