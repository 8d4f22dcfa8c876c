import type { DOORS } from '@tufa/contract/doors';
import { say } from '@tufa/words/speak';
import { useState } from 'react';
import { useForm, type DefaultValues, type FieldErrors, type FieldPath, type FieldValues, type Resolver, type UseFormReturn } from 'react-hook-form';
import { ApiProblem } from '../outbox/api';
import { OtherFirm } from '../outbox/session';
import { whyText } from '../outbox/whyText';
import { loadChecks } from '../parts/phone/checks';
import { useSpeaker } from '../parts/phone/speaker';
import type { Speaker } from '@tufa/words/speak';

/** What is wrong with a field, in words of a door. */
function sayFault(speaker: Speaker, code: string, limit: unknown): string {
  if (code === 'field.string.min' && limit === 12) return say(speaker, 'signIn.longer');
  if (code === 'field.string.min' && limit === 3) return say(speaker, 'signIn.spaces');
  if (code === 'field.string.pattern.base') return say(speaker, 'signIn.spaces');
  return say(speaker, code === 'field.string.empty' || code === 'field.any.required' ? 'signIn.required' : 'signIn.look');
}

/** Why a door stayed shut. */
export function doorText(speaker: Speaker, error: unknown): string {
  if (error instanceof OtherFirm) return say(speaker, 'signIn.otherFirm', { count: error.count });
  return whyText(speaker, error, say(speaker, 'signIn.noSignal'));
}

/**
 * A form that opens a door, over the same schema as the server's. What it holds is a secret or near one: nothing of it is kept as a draft.
 *
 * @param more what is sent beside what is typed
 */
export function useDoorForm<V extends FieldValues>(
  door: keyof typeof DOORS,
  { initial, more = () => ({}), send }: { initial: V; more?: () => object; send: (told: V) => Promise<unknown> },
): { form: UseFormReturn<V>; submit: () => void; failed: string | null; busy: boolean } {
  const speaker = useSpeaker();
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const resolver: Resolver<V> = async (values) => {
    const { DOORS: doors, check } = await loadChecks();
    const { fault } = check(doors[door], { ...values, ...more() });
    if (!fault) return { values, errors: {} };
    const field = fault.field.split('.')[0]!;
    return { values: {}, errors: { [field]: { type: 'wire', message: sayFault(speaker, fault.code, fault.figures.limit) } } as unknown as FieldErrors<V> };
  };
  const form = useForm<V>({ defaultValues: initial as DefaultValues<V>, resolver, mode: 'onSubmit', reValidateMode: 'onChange' });
  const submit = (): void => {
    setFailed(null);
    void form
      .handleSubmit(async (values) => {
        setBusy(true);
        try {
          await send({ ...values, ...more() });
        } catch (error) {
          const field = error instanceof ApiProblem ? error.details.field : undefined;
          if (field && field in initial) form.setError(field as FieldPath<V>, { message: doorText(speaker, error) });
          else setFailed(doorText(speaker, error));
        } finally {
          setBusy(false);
        }
      })()
      .catch((error: unknown) => setFailed(doorText(speaker, error)));
  };
  return { form, submit, failed, busy };
}
