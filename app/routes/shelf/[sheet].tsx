export { SheetScreen as default } from '../../shelf/SheetScreen';
