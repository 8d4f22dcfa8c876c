import { CALLED, SPOKEN, type Spoken } from '@tufa/contract/languages';
import { Choice } from '../ui/Choice';

const OPTIONS = SPOKEN.map((language) => ({ value: language, label: CALLED[language] }));

/** Which language, each by its own name. */
export const LanguageChoice = ({ label, value, onChange }: { label: string; value: Spoken; onChange: (language: Spoken) => void }) => (
  <Choice label={label} options={OPTIONS} value={value} onChange={onChange} />
);
