export { WindowScreen as default } from '../../bench/WindowScreen';
