import { workScreen } from '../../../parts/workScreen';

export default workScreen('SystemsScreen');
