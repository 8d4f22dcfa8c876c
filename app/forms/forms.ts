/** Every long form and everything that is tapped or typed in a walk, with the library that reads them, as one part: no screen that only shows something waits for it. */
export { SheetEditor } from '../shelf/SheetEditor';
export { ElementForm } from '../walk/ElementForm';
export { FindingForm } from '../walk/FindingForm';
export { LicensedOpinion } from '../walk/LicensedOpinion';
export { Measure } from '../walk/Measure';
export { Soundings } from '../walk/Soundings';
export { Tests } from '../walk/Tests';
export { JobForm } from '../jobs/JobForm';
