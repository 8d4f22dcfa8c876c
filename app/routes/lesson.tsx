import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../lesson/LessonScreen').then(({ LessonScreen }) => LessonScreen), '/lesson');
