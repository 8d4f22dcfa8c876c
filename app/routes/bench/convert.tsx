import { workScreen } from '../../parts/chrome/workScreen';

export default workScreen(() => import('../../bench/ConvertScreen').then(({ ConvertScreen }) => ConvertScreen), '/bench/convert');
