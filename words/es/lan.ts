import type { lan as english } from '../lan';
import type { Translation } from './Translation';

export const lan: Translation<typeof english> = {
  title: 'Confíe una vez en este servidor',
  why: 'El Tufa de su empresa corre en una máquina de esta red. Su certificado habla solo por esta máquina y por nada más. Un teléfono que lo toma puede instalar Tufa, usarlo sin señal y usar la cámara.',
  compare: 'Antes de tomarlo: esto debe ser lo que está en la terminal donde se arrancó Tufa. Si una letra es distinta, pare.',
  takeIt: 'Tomar el certificado',
  on: { android: 'En Android', iphone: 'En un iPhone o iPad', desk: 'En un escritorio' },
  take: {
    android:
      'Abra el archivo; si solo cae en Descargas: Ajustes, Seguridad, Cifrado y credenciales, Instalar un certificado, Certificado de CA, y elija tufa.crt.',
    iphone:
      'Deje cargar el perfil; luego Ajustes, General, VPN y gestión de dispositivos, instálelo; luego Ajustes, General, Información, Ajustes de confianza de certificados, enciéndalo.',
    desk: 'Firefox: Ajustes, Privacidad y seguridad, Ver certificados, Autoridades, Importar. Otros usan el almacén del sistema: abra el archivo y póngalo entre las autoridades raíz de confianza.',
  },
  remove: {
    android: 'Para quitarlo: Ajustes, Seguridad, Cifrado y credenciales, Credenciales de confianza, Usuario.',
    iphone: 'Para quitarlo: Ajustes, General, VPN y gestión de dispositivos, el perfil, Eliminar.',
    desk: 'Para quitarlo: el mismo lugar, la línea que empieza con Tufa of.',
  },
  then: 'Luego abra Tufa',
  insecure: 'Esta dirección no es segura: {{what}} no funcionan aquí. Abra la página que la terminal muestra como código, y tome su certificado una vez.',
  lacks: {
    install: 'instalar',
    offline: 'trabajar sin señal',
    camera: 'la cámara',
    wake: 'dejar la pantalla encendida',
    passkey: 'llaves de acceso',
    notify: 'avisos',
  },
};
