/**
 * Everything that computes or draws, as one chunk fetched after the first screen: what two routes share would otherwise
 * be bundled into the first load of all of them.
 */
export { WindowScreen } from '../bench/WindowScreen';
export { DayScreen } from '../day/DayScreen';
export { FixScreen } from '../fix/FixScreen';
export { SystemsScreen } from '../fix/SystemsScreen';
export { JobDrawing } from '../jobs/JobDrawing';
export { JobForm } from '../jobs/JobForm';
export { Keypad } from '../keypad/Keypad';
export { KitAsked } from '../now/KitAsked';
export { MixScreen } from '../mix/MixScreen';
export { PourScreen } from '../pour/PourScreen';
export { RecordScreen } from '../record/RecordScreen';
export { CompareScreen } from '../shelf/CompareScreen';
export { SheetEditor } from '../shelf/SheetEditor';
export { ShelfFiles } from '../shelf/ShelfFiles';
export { SheetScreen } from '../shelf/SheetScreen';
export { ShelfScreen } from '../shelf/ShelfScreen';
export { WalkScreen } from '../walk/WalkScreen';
export { FirmScreen } from '../firm/FirmScreen';
export { JobsScreen } from '../jobs/JobsScreen';
export { default as Returned } from '../outbox/Returned';
export { default as Shortcuts } from '../parts/chrome/Shortcuts';
