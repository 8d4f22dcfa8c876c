import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../bench/WindowScreen').then(({ WindowScreen }) => WindowScreen), '/bench/window');
