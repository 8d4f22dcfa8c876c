import type { care as english } from '../care';
import type { Translation } from './Translation';

export const care: Translation<typeof english> = {
  title: 'Mirar otra vez',
  lead: 'Una reparación muestra lo que es al pasar un invierno. Ahora recuerda estas visitas.',
  asked: 'Esta reparación pide',
  keep: 'Planear estas visitas',
  kind: { crack: 'otra vez el ancho de la grieta', joint: 'otra vez el sellador', coating: 'otra vez el recubrimiento', look: 'otra vez todo' },
  what: '{{finding}}: {{kind}}',
  whole: 'La reparación: {{kind}}',
  due: 'toca el {{date}}',
  done: 'hecha el {{date}}',
  day: 'Día de la visita',
  there: 'Mirar allí',
  doneToday: 'Hecha hoy',
  notYet: 'No se hizo todavía',
  remove: 'Dejarla fuera',
  note: 'Qué se vio',
  calendar: 'Archivo de calendario',
  close: 'Cerrar esta obra',
  closeLead: 'Una obra cerrada ya no espera en Ahora. Medio año después sale de los teléfonos, y regresa cuando se la encuentra.',
  closed: 'Cerrada el {{date}}.',
  open: 'Abrirla otra vez',
  here: 'Aquí medía {{was}} el {{date}}.',
  places: 'Lugar {{n}} de {{count}} que se leyeron el {{date}}.',
};
