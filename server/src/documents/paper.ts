import { toSvg, type Label, type Scene } from '@tufa/draw';
import { sayCoded, type Speaker } from '@tufa/words';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

/** Ink on paper: the light look without its tints, so that it copies and prints. */
const PAPER = {
  ground: '#ffffff',
  sheet: '#ffffff',
  sunk: '#f0ede6',
  ink: '#1f2729',
  faint: '#4f5a5b',
  line: '#cfc7b6',
  edge: '#7a7363',
  act: '#146256',
  onAct: '#ffffff',
  caution: '#7a4e00',
  stop: '#94281c',
} as const;

const speak = (speaker: Speaker, label: Label): string => ('text' in label ? label.text : sayCoded(speaker, label.code, label.figures));

/** A scene as it stands on a page. */
export const drawing = (speaker: Speaker, scene: Scene): Content => ({
  svg: toSvg({ scene, speak: (label) => speak(speaker, label), colours: PAPER }),
  width: scene.width,
  margin: [0, 4, 0, 4],
});

/** The page and the letters of every document, by the firm's units. */
export const paper = (system: 'us' | 'metric'): Pick<TDocumentDefinitions, 'pageSize' | 'pageMargins' | 'defaultStyle' | 'styles'> => ({
  pageSize: system === 'us' ? 'LETTER' : 'A4',
  pageMargins: [42, 48, 42, 48],
  defaultStyle: { font: 'Atkinson', fontSize: 11, lineHeight: 1.25, color: PAPER.ink },
  styles: {
    title: { fontSize: 22, bold: true },
    h2: { fontSize: 15, bold: true, margin: [0, 12, 0, 4] },
    small: { fontSize: 9, color: PAPER.faint },
    stop: { color: PAPER.stop },
    caution: { color: PAPER.caution },
  },
});
