/** A phone takes the certificate of a server on the local network; what does not work without. */
export const lan = {
  title: 'Trust this server once',
  why: 'Your firm’s Tufa runs on a machine of this network. Its certificate can speak for this machine alone and for nothing else. A phone that takes it may install Tufa, use it without signal, and use the camera.',
  compare: 'Before you take it: this must be what stands in the terminal where Tufa was started. If one letter differs, stop.',
  takeIt: 'Take the certificate',
  on: { android: 'On Android', iphone: 'On an iPhone or iPad', desk: 'On a desk' },
  take: {
    android:
      'Open the file; if it only lands in Downloads: Settings, Security, Encryption and credentials, Install a certificate, CA certificate, and choose tufa.crt.',
    iphone:
      'Allow the profile to load; then Settings, General, VPN and device management, install it; then Settings, General, About, Certificate trust settings, switch it on.',
    desk: 'Firefox: Settings, Privacy and security, View certificates, Authorities, Import. Others use the system’s own store: open the file and put it among the trusted root authorities.',
  },
  remove: {
    android: 'To remove it: Settings, Security, Encryption and credentials, Trusted credentials, User.',
    iphone: 'To remove it: Settings, General, VPN and device management, the profile, Remove.',
    desk: 'To remove it: the same place, the line that begins with Tufa of.',
  },
  then: 'Then open Tufa',
  insecure: 'This address is not secure: {{what}} do not work here. Open the page that the terminal shows as a code, and take its certificate once.',
  lacks: {
    install: 'installing',
    offline: 'working without signal',
    camera: 'the camera',
    wake: 'keeping the screen on',
    passkey: 'passkeys',
    notify: 'notifications',
  },
} as const;
