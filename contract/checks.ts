/** Whatever is checked by a schema, as one part: forms, and the files that come in and go out. */
export { DOORS } from './doors';
export { FIELDS } from './schemas';
export { check } from './validate';
export { previewOfLabels, previewOfShelf, shelfFileOf, shelfRows } from './shelfFile';
export { READING_COLUMNS, readingRows, readingsFromRows, readSurveyFile, surveyFileOf } from './surveyFile';
