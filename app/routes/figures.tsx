import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../crewFigures/FiguresScreen').then(({ FiguresScreen }) => FiguresScreen), '/figures');
