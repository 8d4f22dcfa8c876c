import type { files as englishFiles, sheetDoc as englishSheet } from '../files';
import type { Translation } from './Translation';

export const files: Translation<typeof englishFiles> = {
  title: 'Sacar y traer la revisión',
  pdf: 'Hoja de revisión (PDF, para imprimir)',
  pdfOffline: 'La hoja se hace donde está la empresa: llega con señal.',
  svg: 'Plano (SVG)',
  dxf: 'Plano (DXF)',
  csv: 'Lecturas (CSV)',
  json: 'Todo (JSON)',
  bring: 'Traer lecturas o una revisión',
  elements_one: '{{count}} elemento',
  elements_other: '{{count}} elementos',
  findings_one: '{{count}} hallazgo',
  findings_other: '{{count}} hallazgos',
  readings_one: '{{count}} lectura',
  readings_other: '{{count}} lecturas',
  rowFault: 'Renglón {{row}}, {{field}}: {{what}}',
  moreFaults_one: 'y {{count}} renglón más',
  moreFaults_other: 'y {{count}} renglones más',
  write: 'Traerlos',
};

export const sheetDoc: Translation<typeof englishSheet> = {
  title: 'Revisión: {{name}}',
  madeAt: 'Hecha el {{date}} con Tufa.',
  foot: '{{name}}, página {{page}} de {{pages}}',
  hollow: '{{hollow_share}} suena hueco ({{low_share}} a {{high_share}}, {{count}} golpes)',
  defers: 'Las cifras son rangos de lo que se vio y se leyó. Lo estructural es de un ingeniero con licencia; niveles, cargas y desecho siguen el código local.',
  column: { label: '', kind: 'Qué', size: 'Tamaño', volume: 'Volumen', says: 'Como se encontró', when: 'Cuándo' },
};
