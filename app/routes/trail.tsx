import { workScreen } from '../parts/chrome/workScreen';

export default workScreen(() => import('../doors/TrailScreen').then(({ TrailScreen }) => TrailScreen), '/trail');
