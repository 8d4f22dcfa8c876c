/** Every long form, with the library that reads them, as one part: no screen that only shows something waits for it. */
export { SheetEditor } from '../shelf/SheetEditor';
export { ElementForm } from '../walk/ElementForm';
export { FindingForm } from '../walk/FindingForm';
export { JobForm } from '../jobs/JobForm';
