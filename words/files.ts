/** Files in and out, and the survey sheet. */
export const files = {
  title: 'Survey out and in',
  pdf: 'Survey sheet (PDF, to print)',
  pdfOffline: 'The sheet is made where the firm is: it comes with signal.',
  svg: 'Plan (SVG)',
  dxf: 'Plan (DXF)',
  csv: 'Readings (CSV)',
  json: 'All of it (JSON)',
  bring: 'Bring readings or a survey in',
  elements_one: '{{count}} element',
  elements_other: '{{count}} elements',
  findings_one: '{{count}} finding',
  findings_other: '{{count}} findings',
  readings_one: '{{count}} reading',
  readings_other: '{{count}} readings',
  rowFault: 'Row {{row}}, {{field}}: {{what}}',
  moreFaults_one: 'and {{count}} more row',
  moreFaults_other: 'and {{count}} more rows',
  write: 'Bring them in',
} as const;

/** The survey sheet. */
export const sheetDoc = {
  title: 'Survey: {{name}}',
  madeAt: 'Made on {{date}} with Tufa.',
  foot: '{{name}}, page {{page}} of {{pages}}',
  hollow: '{{hollow_share}} rings hollow ({{low_share}} to {{high_share}}, {{count}} taps)',
  defers:
    'Figures are ranges from what was seen and read. Structural questions belong to a licensed engineer; levels, loads and disposal follow the local code.',
  column: { label: '', kind: 'What', size: 'Size', volume: 'Volume', says: 'As found', when: 'When' },
} as const;
