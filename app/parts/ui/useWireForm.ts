import type { Writable } from '@tufa/contract/commands';
import type { Fault } from '@tufa/contract/Fault';
import { senseOf } from '@tufa/contract/sense';
import { print, type Kind } from '@tufa/core/quantity';
import { say, sayCoded, isSaid } from '@tufa/words';
import { useCallback, useEffect, useState } from 'react';
import { set, useForm, type DefaultValues, type FieldErrors, type FieldPath, type FieldValues, type Resolver, type UseFormReturn } from 'react-hook-form';
import { loadChecks } from '../phone/checks';
import { useDraft } from '../phone/useDraft';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../phone/speaker';
import { FieldProblem } from './fieldProblem';

/** How what is typed becomes what is sent. */
export interface WireForm<V extends FieldValues> {
  /** what is sent: the same schema stands on the server */
  readonly entity: Writable;
  /** typed text to what is sent; throws FieldProblem for the field at fault */
  readonly toWire: (values: V) => object;
  /** which field a path of the sent object is typed in, with the kind of its figure */
  readonly fieldOf: (path: string, values: V) => { field: FieldPath<V>; kind?: Kind; label?: string };
}

/** What is wrong, in the form's words where it has some; else in those of the server's answer. */
function sayFault(speaker: Speaker, { code, figures }: Fault, kind: Kind | undefined, field: string): string {
  const { limit } = figures;
  const printed =
    typeof limit === 'number' && kind
      ? `${print({ kind, value: limit, system: speaker.system }).digits} ${print({ kind, value: limit, system: speaker.system }).unit}`
      : String(limit);
  if (code === 'field.number.min') return say(speaker, 'field.tooSmall', { least: printed });
  if (code === 'field.number.max') return say(speaker, 'field.tooLarge', { most: printed });
  if (code === 'field.string.max') return say(speaker, 'field.tooLong', { limit: printed });
  if (code === 'field.string.empty' || code === 'field.any.required' || code === 'field.string.min') return say(speaker, 'field.required');
  return isSaid(`field.${code}`)
    ? sayCoded(speaker, `field.${code}`)
    : sayCoded(speaker, `problem.${code}`, { ...figures, field, ...(limit === undefined ? {} : { limit: printed }) });
}

/**
 * react-hook-form over the wire's own schema, with what was typed kept as a draft until it is saved. With it is kept what
 * stood there when the typing began, and handed to whoever saves: a row that changed meanwhile is not written over.
 */
export function useWireForm<V extends FieldValues>({
  name,
  initial,
  wire,
  row,
}: {
  name: string;
  initial: V;
  wire: WireForm<V>;
  /** what the form is opened with; undefined for something new */
  row?: object | undefined;
}): UseFormReturn<V> & { submit: (save: (wire: object, seen: object | undefined) => Promise<unknown>) => () => Promise<void>; clear: () => void } {
  const speaker = useSpeaker();
  const { draft, keep: keepText, clear: clearText } = useDraft<V>(name);
  const { draft: began, keep: keepSeen, clear: clearSeen } = useDraft<object>(`${name} as it stood`);
  const [seen] = useState(() => (draft && began) ?? row);
  const keep = useCallback(
    (values: Partial<V>) => {
      keepText(values);
      if (seen) keepSeen(seen);
    },
    [keepText, keepSeen, seen],
  );
  const clear = (): void => {
    clearText();
    clearSeen();
  };
  const resolver: Resolver<V> = async (values) => {
    const fail = (field: string, message: string) => {
      const errors: FieldErrors<V> = {};
      // A field of a row lies in its row's place.
      set(errors, field, { type: 'wire', message });
      return { values: {}, errors };
    };
    try {
      const sent = wire.toWire(values);
      const { FIELDS, check } = await loadChecks();
      const fault = check(FIELDS[wire.entity], sent).fault ?? senseOf(sent as Record<string, unknown>);
      if (!fault) return { values, errors: {} };
      const { field, kind, label = '' } = wire.fieldOf(fault.field, values);
      return fail(field, sayFault(speaker, fault, kind, label));
    } catch (error) {
      if (error instanceof FieldProblem) return fail(error.field, error.sentence);
      throw error;
    }
  };
  const form = useForm<V>({ defaultValues: { ...initial, ...draft } as DefaultValues<V>, resolver, mode: 'onTouched', reValidateMode: 'onChange' });
  const { watch } = form;
  // Fetched while the first field is filled; without signal it is asked for again when it is needed.
  useEffect(() => void loadChecks().catch(() => null), []);
  useEffect(() => {
    const { unsubscribe } = watch((values) => keep(values as Partial<V>));
    return unsubscribe;
  }, [watch, keep]);
  const submit = (save: (wireObject: object, seen: object | undefined) => Promise<unknown>) =>
    form.handleSubmit(async (values) => {
      await save(wire.toWire(values), seen);
      clear();
    });
  return { ...form, submit: (save) => () => submit(save)(), clear };
}
