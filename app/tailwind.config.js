const plugin = require('tailwindcss/plugin');
const tokens = require('./parts/ui/tokens.json');

const variables = (mode) => Object.fromEntries(Object.entries(tokens[mode]).map(([name, value]) => [`--${name}`, value]));

module.exports = {
  content: ['routes', 'parts', 'keypad', 'walk', 'photos', 'fix', 'mix', 'day', 'pour', 'record', 'now', 'jobs', 'shelf', 'bench', 'firm', 'forms'].map(
    (folder) => `./${folder}/**/*.{ts,tsx}`,
  ),
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: Object.fromEntries(Object.keys(tokens.light).map((name) => [name, `var(--${name})`])),
      fontFamily: { text: ['Atkinson', 'system-ui', 'sans-serif'], head: ['Bricolage', 'Atkinson', 'system-ui', 'sans-serif'] },
    },
  },
  plugins: [plugin(({ addBase }) => addBase({ ':root': variables('light'), '.dark': variables('dark'), '.sun': variables('sun') }))],
};
