// npm run notices: the licences of everything that is shipped, from the lock file, into THIRD-PARTY-NOTICES.md; with
// --check only whether that page lists what the lock file has.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Advice, main, root, say } from './lib/run.mjs';

/** Text of a package's licence; nothing where it carries none. */
function textOf(folder) {
  const name = readdirSync(folder).find((file) => /^(licen[cs]e|copying)([.-].*)?$/i.test(file));
  return name ? readFileSync(join(folder, name), 'utf8').trim() : '';
}

main(async () => {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const shipped = Object.entries(packages).filter(([path, { dev, link, devOptional }]) => path.includes('node_modules/') && !dev && !link && !devOptional);
  const byText = new Map();
  const lines = [];
  for (const [path, { version, license }] of shipped.sort(([a], [b]) => a.localeCompare(b))) {
    const folder = join(root, path);
    const name = path.slice(path.lastIndexOf('node_modules/') + 13);
    lines.push(`| ${name} | ${version} | ${license ?? 'see its text'} |`);
    const text = existsSync(folder) ? textOf(folder) : '';
    if (text) byText.set(text, [...(byText.get(text) ?? []), `${name} ${version}`]);
  }
  const list = [...new Set(lines)];
  if (process.argv.includes('--check')) {
    // Prettier sets tables in columns: only what stands in them counts.
    const told = (line) => line.replace(/\s+/g, ' ').trim();
    const page = new Set(readFileSync(join(root, 'THIRD-PARTY-NOTICES.md'), 'utf8').split('\n').map(told));
    const lacking = list.filter((line) => !page.has(told(line)));
    if (lacking.length > 0) throw new Advice(`THIRD-PARTY-NOTICES.md is not of this lock file (${lacking[0]}). Make it anew: npm run notices.`);
    return;
  }
  const texts = [...byText].map(([text, names]) => `## ${[...new Set(names)].join(', ')}\n\n\`\`\`\n${text.replaceAll('```', "'''")}\n\`\`\``);
  const page = `# Third-party notices\n\nMade by \`npm run notices\` from the lock file: what is shipped with Tufa, under whose terms.\n\n| package | version | licence |\n| --- | --- | --- |\n${list.join('\n')}\n\n${texts.join('\n\n')}\n`;
  writeFileSync(join(root, 'THIRD-PARTY-NOTICES.md'), page);
  say(`${list.length} packages.`);
});
