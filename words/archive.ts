/** The firm as one file. */
export const archive = {
  title: 'The firm as one file',
  lead: 'Every job, sheet, batch, picture, letter and document, as plain JSON and tables. Nothing in it opens a door: keep it where only you can read it.',
  out: 'Take the firm out',
  in: 'Bring a firm in',
  bringing: 'Being read ...',
  begun: 'Only a firm without jobs, stock and figures of its own takes another in.',
  unsent_one: '{{count}} change on this phone is not with the firm yet and not in the file.',
  unsent_other: '{{count}} changes on this phone are not with the firm yet and not in the file.',
  brought: '{{jobs}} jobs are here, with {{files}} pictures, letters and documents.',
  job: 'Take this job out',
  json: 'JSON',
} as const;
