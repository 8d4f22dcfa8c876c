import type { caution as english } from '../cautions';
import type { Translation } from './Translation';

export const caution: Translation<typeof english> = {
  title: 'Tenga cuidado',
  oldCoatings: 'Los recubrimientos, selladores, adhesivos y másticos viejos pueden tener asbesto o plomo. Mándelos analizar antes de esmerilar o raspar.',
  licensedEngineer: 'Lo estructural es de un ingeniero con licencia. Tufa no muestra aquí ninguna mezcla hasta que uno haya contestado.',
  silicaDust:
    'Cortar y esmerilar concreto suelta sílice respirable. Cubierta y aspiradora HEPA o agua, respirador, ojos, oídos. Valen las reglas locales de sílice.',
  vibrationNoise: 'Rompedoras y esmeriles: cuente el tiempo de gatillo, proteja oídos y manos.',
  vibration:
    'Herramientas que sacuden: {{trigger_s}} de gatillo para cada uno, {{action_share}} de lo que un día puede dar a una mano. La más fuerte sola llega en {{strongest_s}}: repártanlo.',
  blades: 'Hojas y discos: guarda puesta, dos manos, nadie en la línea del corte, desconectado para cambiarlos.',
  electrical:
    'Busque cables y tubos antes de cortar o taladrar; enchufe con interruptor de falla en cada herramienta. Lo que tiene corriente es de un electricista con licencia.',
  diving: 'El trabajo bajo el agua es de buzos con licencia. Vacíe donde pueda.',
  confinedSpace: 'Un tanque o un pozo es un espacio confinado: nadie entra sin una persona con licencia, aire medido y alguien afuera.',
  flames: 'Ni llama ni chispas cerca de resina, solvente y polvo de fibra; junto a ellos nada se seca ni se quema con soplete.',
  formWeight: 'El encofrado pide {{holdDown_kg}} encima y cada puntal carga {{prop_kg}}: nadie se para debajo ni encima hasta que se quite.',
  wetCement: 'El cemento mojado quema la piel y los ojos. Guantes y lentes; lávese en seguida; tenga a la mano la hoja de seguridad.',
  vapours: 'Uno de los recubrimientos o adhesivos suelta solvente: ventile, sin llamas ni chispas.',
  extraWeight: 'Una cubierta pesa mucho. Que alguien competente confirme muebles y piso antes de colarla.',
  powderDust: 'Abra los sacos lejos de la cara; use respirador para el polvo.',
  resinSensitises: 'Las resinas pueden sensibilizar de por vida. Siempre guantes, nada de piel desnuda, hoja de seguridad a la mano.',
  massHeats: 'Una cubeta llena que fragua se calienta y puede humear. Extienda lo que sobre.',
  lifting: 'Los sacos y las cubetas llenas pesan. Levanten entre dos o dividan el saco.',
  toolsNearWater: 'Mezcladora eléctrica junto al agua: manos secas, corriente protegida.',
  overDose: 'Con demasiado retardante puede que nunca fragüe bien. Para parte de un saco, parte de la dosis.',
  handDecides: 'Los minutos son una guía. Decide el material en su mano.',
  publicAccess: 'Que nadie pise el trabajo hasta que se abra.',
  washWater: 'El agua de lavado no va a los drenajes.',
  localCode: 'Resbalamiento, niveles y cargas siguen el código local. Tufa muestra la medida y no da ningún código por cumplido.',
  understood: 'Entendido',
  by: 'Entendido por {{who}}',
  unsigned: 'Traducción sin revisar todavía por alguien que hable español y conozca el oficio. En duda vale el inglés.',
  inEnglish: 'En inglés',
  translated: 'En español',
};
