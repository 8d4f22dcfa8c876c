import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../rehearse/RehearseScreen').then(({ RehearseJobScreen }) => RehearseJobScreen));
