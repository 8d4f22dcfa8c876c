export { DayScreen as default } from '../../../day/DayScreen';
