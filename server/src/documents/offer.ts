import { compareSystems, computePlan, sheetOf, suggestedSystems, type SystemInput } from '@tufa/core/plan';
import { taxed } from '@tufa/core/quantity';
import { printFigure, say, sayCoded } from '@tufa/words';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { JobParts } from './JobParts';
import { cautions, scope } from './scope';
import { heading, table } from './table';

/** What is added to the price, and both together; nothing where the firm adds nothing. */
function withTax({ speaker, data }: JobParts, price_minor: number): Content[] {
  const tax = Object.values(data.firm)[0]?.settings.tax;
  if (!tax || tax.share === 0) return [];
  const { tax_minor, total_minor } = taxed({ price_minor, share: tax.share });
  // A share of money is told to the tenth: 5.3 %, not 5.
  const share = `${Math.round(tax.share * 1000) / 10}\u00a0%`;
  return [
    { text: say(speaker, 'documents.tax', { name: tax.name, share, tax_minor }) },
    { text: say(speaker, 'documents.total', { total_minor }), bold: true },
  ];
}

/** Scope, price, other ways beside it, what is not in it, cautions. */
export function offer(parts: JobParts): Content[] {
  const { speaker, input, job } = parts;
  // The shelf is asked for what else would do: an offer that shows one way is no choice.
  const best = computePlan(input, { ranked: 'best' });
  const others = suggestedSystems(input, best).filter(({ code }) => code !== 'chosen');
  // Each way at its own price: side by side in Fix they are sold at one, so that margins can be compared.
  const priced = (system: SystemInput, price_minor: number | null) => compareSystems({ input, systems: [system], price_minor });
  const [first] = priced({ code: 'chosen', treatments: input.treatments }, job.price_minor ?? null);
  const sooner = (opens_s: number | null): boolean => opens_s !== null && (first?.opens_s == null || opens_s < first.opens_s);
  const ways = others
    .flatMap((system) => priced(system, null).map((outcome) => ({ ...outcome, treatments: system.treatments })))
    // What is called cheapest or first to open is so beside what is offered, or is no choice.
    .filter(({ code, price_minor, opens_s }) => (code === 'cheapest' ? price_minor < (first?.price_minor ?? Infinity) : code !== 'soonest' || sooner(opens_s)));
  const head = (['system', 'material', 'price', 'days', 'opens'] as const).map((column) => say(speaker, `documents.${column}`));
  const rounded = (price_minor: number): number => Math.round(price_minor / 100) * 100;
  const rows = [...(first ? [{ ...first, treatments: input.treatments }] : []), ...ways].map(
    ({ code, price_minor, days, opens_s, treatments }): TableCell[] => [
      sayCoded(speaker, `systems.code.${code}`),
      [...new Set(treatments.map(({ sheetId }) => sheetOf(input, sheetId)?.name))].filter(Boolean).join(', '),
      printFigure(speaker, 'price_minor', rounded(price_minor)),
      String(days),
      opens_s === null ? say(speaker, 'systems.unknown') : printFigure(speaker, 't_s', opens_s),
    ],
  );
  return [
    ...scope(parts),
    heading(say(speaker, 'documents.price')),
    ...(first
      ? [
          {
            text: say(speaker, job.price_minor ? 'documents.priceAgreed' : 'documents.priceFrom', { price_minor: rounded(first.price_minor) }),
            bold: true,
          } as Content,
          ...withTax(parts, rounded(first.price_minor)),
        ]
      : []),
    ...(rows.length > 1 ? [heading(say(speaker, 'documents.others')), table(head, rows, [90, '*', 'auto', 'auto', 'auto'])] : []),
    heading(say(speaker, 'documents.exclusions')),
    { ul: (['engineer', 'hidden', 'asbestos'] as const).map((name) => say(speaker, `documents.excluded.${name}`)) },
    ...cautions(parts, ['walk']),
  ];
}
