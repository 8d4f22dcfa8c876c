import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen('SheetScreen');
