import type { Reason, ReasonCode } from '@tufa/core/choose';
import { aidsOf } from '@tufa/contract/assemble';
import {
  AID_ROLES,
  aidClasses,
  judgedAid,
  kindOf,
  overlaysFor,
  type AidRole,
  type ChosenPlan,
  type OverlayInput,
  type TreatmentInput,
  prepared,
} from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import type { ElementInput, FindingInput } from '@tufa/core/survey';
import { printFigure, say, sayReason } from '@tufa/words';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { QuantityField } from '../parts/ui/QuantityField';
import { readWithin } from '../parts/ui/quantityText';
import { T } from '../parts/ui/T';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { JobView } from '../parts/job/useJob';
import { inUnits } from '@tufa/words/survey';
import { writeTreatments } from './writeTreatment';
import { useSpeaker } from '../parts/phone/speaker';
import { aidOf, sheetOf } from '@tufa/core/plan';

/** In which state an aid is covered is told whatever its verdict. */
const COVERED: readonly ReasonCode[] = ['aid.covered.wet', 'aid.covered.tacky', 'aid.covered.dry'];

const NONE = 'none';
const THIN: Omit<OverlayInput, 'sheetId'> = { thickness_m: 0.003, over: 'element' };

interface Chosen {
  readonly view: JobView;
  readonly element: ElementInput;
  readonly finding: FindingInput;
  readonly sheet: Sheet;
  readonly chosen: ChosenPlan;
  readonly treatment: TreatmentInput;
}

/** What goes with the chosen material: an overlay, and what bonds, cures and coats it, each with how it stands. */
export function LayersChoice(given: Chosen) {
  const speaker = useSpeaker();
  const [open, setOpen] = useState(false);
  const roles = AID_ROLES.filter(
    (role) => aidClasses({ input: prepared(given.view.input), sheet: given.sheet }, role).length > 0 && (role !== 'cure' || given.sheet.water),
  );
  const { overlay, aids } = given.chosen;
  const names = [
    ...(overlay ? [sheetOf(given.view.input, overlay.chosen.sheetId)?.name ?? ''] : []),
    ...[...aids, ...(overlay?.chosen.aids ?? [])].map(({ aidId }) => aidOf(given.view.input, aidId)?.name ?? ''),
  ];
  return (
    <View className="gap-3" testID="layers">
      <View>
        <T as="h2">{say(speaker, 'layers.title')}</T>
        <View className="flex-row items-center justify-between gap-2">
          <T className="flex-1">{names.length > 0 ? names.join(', ') : say(speaker, 'layers.nothing')}</T>
          <Word label={say(speaker, open ? 'layers.close' : 'layers.open')} onPress={() => setOpen(!open)} />
        </View>
      </View>
      {open ? (
        <>
          {kindOf(given.finding).overlaid(given.finding) ? <OverlayChoice {...given} /> : null}
          {roles.map((role) => (
            <AidChoice key={role} {...given} role={role} />
          ))}
        </>
      ) : null}
    </View>
  );
}

function OverlayChoice({ view, element, finding, treatment, chosen }: Chosen) {
  const speaker = useSpeaker();
  const current = treatment.overlay;
  const asked = current ?? THIN;
  const { thickness_m, over } = asked;
  const ranked = useMemo(
    () => overlaysFor({ input: prepared(view.input), element, finding, overlay: { thickness_m, over } }),
    [view.input, element, finding, thickness_m, over],
  );
  const fit = ranked.filter(({ verdict, sheetId }) => verdict !== 'no' || sheetId === current?.sheetId);
  const keep = (overlay: OverlayInput | undefined): void => {
    const { overlay: _before, ...rest } = treatment;
    void writeTreatments(view, [overlay ? { ...rest, overlay } : rest]);
  };
  const first = fit[0]?.sheetId;
  const judged = chosen.overlay?.judged;
  return (
    <View className="gap-2">
      <Choice
        label={say(speaker, 'layers.over')}
        options={([NONE, 'patch', 'element'] as const).map((value) => ({ value, label: say(speaker, `layers.overs.${value}`, { name: element.name }) }))}
        value={current?.over ?? NONE}
        onChange={(value) => {
          if (value === NONE) keep(undefined);
          else if (current ?? first) keep({ sheetId: current?.sheetId ?? first!, thickness_m, over: value });
        }}
      />
      {fit.length === 0 ? <T tone="caution">{say(speaker, 'layers.noOverlay', { thickness_m })}</T> : null}
      {current ? (
        <>
          <Thickness key={thickness_m} thickness_m={thickness_m} onChange={(next) => keep({ ...current, thickness_m: next })} />
          <Choice
            label={say(speaker, 'layers.overlay')}
            options={fit.map(({ sheetId }) => ({ value: sheetId, label: sheetOf(view.input, sheetId)?.name ?? '' }))}
            value={current.sheetId}
            onChange={(sheetId) => keep({ ...current, sheetId })}
          />
          <Standing reasons={judged?.reasons ?? []} />
        </>
      ) : null}
    </View>
  );
}

function Thickness({ thickness_m, onChange }: { thickness_m: number; onChange: (thickness_m: number) => void }) {
  const speaker = useSpeaker();
  const [text, setText] = useState(inUnits(speaker, 'length', thickness_m));
  const [fault, setFault] = useState<string>();
  const take = (): void => {
    try {
      const next = readWithin(speaker, { field: 'thickness', text, as: 'depth', least: 0.0005, most: 0.1 });
      setFault(undefined);
      if (Math.abs(next - thickness_m) > 1e-9) onChange(next);
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setFault(error.sentence);
    }
  };
  return (
    <View className="flex-row">
      <QuantityField label={say(speaker, 'layers.thickness')} as="depth" value={text} onChange={setText} onBlur={take} onSubmit={take} fault={fault} />
    </View>
  );
}

/** One of what goes with it, by its role; what is refused stands there with its reason and can still be looked at. */
function AidChoice({ view, element, finding, sheet, treatment, chosen, role }: Chosen & { role: AidRole }) {
  const speaker = useSpeaker();
  const { air_C, slab_C, humidity } = chosen.window.question;
  const classes = aidClasses({ input: prepared(view.input), sheet }, role);
  const shelf = useMemo(() => aidsOf(view.data), [view.data]);
  // In the shelf's own order, so that nothing moves under the finger; an older sheet that is still planned with comes last.
  const options = [...shelf, ...(view.input.aids ?? []).filter(({ id }) => !shelf.some((aid) => aid.id === id))]
    .filter((aid) => classes.includes(aid.class))
    .map((aid) => ({ aid, judged: judgedAid({ input: prepared(view.input), element, finding, sheet, treatment, air_C, slab_C, humidity }, role, aid) }));
  const current = treatment.aids?.[role];
  const keep = (value: string): void => {
    const { [role]: _before, ...rest } = treatment.aids ?? {};
    const aids = value === NONE ? rest : { ...rest, [role]: value };
    void writeTreatments(view, [{ ...treatment, aids }]);
  };
  const standing = options.find(({ aid }) => aid.id === current);
  const planned = [...chosen.aids, ...(chosen.overlay?.chosen.aids ?? [])].find((aid) => aid.role === role);
  return (
    <View className="gap-2">
      <Choice
        label={say(speaker, `layers.roles.${role}`)}
        options={[
          { value: NONE, label: say(speaker, 'layers.none') },
          ...options.map(({ aid, judged }) => ({
            value: aid.id,
            label: judged.verdict === 'no' ? say(speaker, 'layers.refused', { name: aid.name }) : aid.name,
          })),
        ]}
        value={current ?? NONE}
        onChange={keep}
      />
      {standing && planned ? (
        <T as="faint">
          {say(speaker, 'layers.amount', {
            amount: standing.aid.unit === 'kg' ? printFigure(speaker, 'a_kg', planned.amount.p90) : inUnits(speaker, 'volume', planned.amount.p90, true),
            area_m2: planned.area_m2,
          })}
        </T>
      ) : null}
      <Standing reasons={standing?.judged.reasons ?? []} />
    </View>
  );
}

/** The reasons that are more than a yes. */
function Standing({ reasons }: { reasons: readonly Reason[] }) {
  const speaker = useSpeaker();
  return (
    <>
      {reasons
        .filter(({ verdict, code }) => verdict !== 'yes' || COVERED.includes(code))
        .map((reason) => (
          <T
            key={reason.code}
            {...(reason.verdict === 'no' ? { tone: 'stop' as const } : reason.verdict === 'caution' ? { tone: 'caution' as const } : { as: 'faint' as const })}
          >
            {sayReason(speaker, reason)}
          </T>
        ))}
    </>
  );
}
