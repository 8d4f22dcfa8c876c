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
      // Sizes of type, named by their pixels where a person has not asked for larger letters; keys keep theirs.
      fontSize: {
        14: '0.875rem',
        15: '0.9375rem',
        16: '1rem',
        18: '1.125rem',
        20: '1.25rem',
        22: '1.375rem',
        24: '1.5rem',
        26: '1.625rem',
        28: '1.75rem',
        32: '2rem',
        36: '2.25rem',
        44: '2.75rem',
        56: '3.5rem',
        key15: '15px',
        key16: '16px',
        key20: '20px',
        key22: '22px',
        key28: '28px',
        key44: '44px',
      },
      lineHeight: {
        16: '1rem',
        17: '1.0625rem',
        20: '1.25rem',
        21: '1.3125rem',
        22: '1.375rem',
        24: '1.5rem',
        25: '1.5625rem',
        26: '1.625rem',
        28: '1.75rem',
        30: '1.875rem',
        34: '2.125rem',
        36: '2.25rem',
        46: '2.875rem',
        56: '3.5rem',
        key18: '18px',
        key24: '24px',
        key44: '44px',
      },
      fontFamily: { text: ['Atkinson', 'system-ui', 'sans-serif'], head: ['Bricolage', 'Atkinson', 'system-ui', 'sans-serif'] },
    },
  },
  plugins: [plugin(({ addBase }) => addBase({ ':root': variables('light'), '.dark': variables('dark'), '.sun': variables('sun') }))],
};
