export { NowScreen as default } from '../now/NowScreen';
