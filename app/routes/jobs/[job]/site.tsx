import { workScreen } from '../../../parts/chrome/workScreen';

export default workScreen(() => import('../../../pour/SiteScreen').then(({ SiteScreen }) => SiteScreen), '/site');
