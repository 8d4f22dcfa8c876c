import { byQuestion } from './byQuestion';
import { windowFor } from './windowFor';

/** The window of one batch, once for all layers that ask the same. @throws Problem as `windowFor` */
export const windowOf = byQuestion(windowFor);
