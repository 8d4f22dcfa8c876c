import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../own/FiguresScreen').then(({ FiguresScreen }) => FiguresScreen), '/figures');
