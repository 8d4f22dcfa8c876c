export { MixScreen as default } from '../../../mix/MixScreen';
