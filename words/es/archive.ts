import type { archive as english } from '../archive';
import type { Translation } from './Translation';

export const archive: Translation<typeof english> = {
  title: 'La empresa en un archivo',
  lead: 'Cada obra, ficha, tanda, foto, carta y documento, en JSON y tablas sencillas. Nada de eso abre una puerta: guárdelo donde solo usted lo lea.',
  out: 'Sacar la empresa',
  in: 'Traer una empresa',
  bringing: 'Leyéndose ...',
  begun: 'Solo una empresa sin obras, existencias ni cifras propias recibe a otra.',
  unsent_one: '{{count}} cambio de este teléfono aún no está en la empresa ni en el archivo.',
  unsent_other: '{{count}} cambios de este teléfono aún no están en la empresa ni en el archivo.',
  brought: 'Ya están aquí {{jobs}} obras, con {{files}} fotos, cartas y documentos.',
  job: 'Sacar esta obra',
  json: 'JSON',
};
