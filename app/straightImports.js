// A Babel plugin: what is imported from a room's index comes from the very file that makes it. The bundler takes a file
// with all that it names, so that an index would bring its whole room for one function. The rooms of core, draw and
// contract do nothing by being read; words do, and are left alone.
const { existsSync, readdirSync, readFileSync, statSync } = require('node:fs');
const { createHash } = require('node:crypto');
const { dirname, join, relative, resolve } = require('node:path');
const { parse } = require('@babel/parser');

/** The clone, whichever folder these settings are used in: the empty application of the benches has a copy. */
const ROOT = resolve(dirname(require.resolve('expo/package.json')), '../..');
const STRAIGHT = ['core', 'draw', 'contract'].map((name) => join(ROOT, name));
/** Packages that are taken so too: each says of itself that reading it does nothing, or has nothing but its index. */
const PACKAGES = Object.fromEntries(
  [
    ['@tanstack/query-core', 'build/modern/index.js'],
    ['@tanstack/react-query', 'build/modern/index.js'],
    ['@tanstack/query-persist-client-core', 'build/modern/index.js'],
    ['@tanstack/react-query-persist-client', 'build/modern/index.js'],
    ['robust-predicates', 'index.js'],
    ['uuid', 'dist/index.js'],
  ].map(([name, index]) => [name, join(ROOT, 'node_modules', name, index)]),
);

const isFile = (path) => existsSync(path) && statSync(path).isFile();

/** Where a package lies for whoever asks: another version may lie nearer. */
function packageHome(name, folder) {
  const near = join(folder, 'node_modules', name);
  return existsSync(near) || dirname(folder) === folder ? near : packageHome(name, dirname(folder));
}

/** The file behind an import, where it is of a workspace or of a package that is taken so; else null. */
function fileOf(source, from) {
  if (PACKAGES[source]) return packageHome(source, dirname(from)) === join(ROOT, 'node_modules', source) ? PACKAGES[source] : null;
  if (source.startsWith('.')) return ['', `.ts`, `.tsx`, '/index.ts'].map((end) => resolve(dirname(from), source) + end).find(isFile) ?? null;
  const [, name, inside] = /^@tufa\/([^/]+)(?:\/(.+))?$/.exec(source) ?? [];
  if (!name) return null;
  const { exports } = JSON.parse(readFileSync(join(ROOT, name, 'package.json'), 'utf8'));
  const key = inside ? `./${inside}` : '.';
  const given = exports[key] ?? (exports['./*'] ? exports['./*'].replace('*', inside) : null);
  return given ? join(ROOT, name, given) : null;
}

const tables = new Map();

/**
 * What a file exports beside types, and where each is made.
 *
 * @returns {Map<string, { file: string, name: string }>}
 */
function exportsOf(file) {
  const known = tables.get(file);
  if (known) return known;
  const table = new Map();
  tables.set(file, table);
  const { program } = parse(readFileSync(file, 'utf8'), { sourceType: 'module', plugins: ['typescript', ...(file.endsWith('x') ? ['jsx'] : [])] });
  for (const node of program.body) {
    if (node.exportKind === 'type') continue;
    const target = node.source ? fileOf(node.source.value, file) : null;
    if (node.type === 'ExportAllDeclaration' && target) for (const [name, made] of exportsOf(target)) if (!table.has(name)) table.set(name, made);
    if (node.type === 'ExportDefaultDeclaration') table.set('default', { file, name: 'default' });
    if (node.type !== 'ExportNamedDeclaration') continue;
    for (const { local, exported, exportKind } of node.specifiers ?? []) {
      if (exportKind === 'type') continue;
      const made = target ? exportsOf(target).get(local.name) : null;
      if (!node.source) table.set(exported.name, { file, name: exported.name });
      else if (made) table.set(exported.name, made);
    }
    const { declaration } = node;
    if (!declaration || /^TS/.test(declaration.type)) continue;
    const names = declaration.id ? [declaration.id.name] : (declaration.declarations ?? []).flatMap(({ id }) => (id.type === 'Identifier' ? [id.name] : []));
    for (const name of names) table.set(name, { file, name });
  }
  return table;
}

const indexes = new Set(Object.values(PACKAGES));
const isIndex = (file) => indexes.has(file) || (file?.endsWith('/index.ts') && STRAIGHT.some((folder) => file.startsWith(`${folder}/`)));

/** Where everything comes from, as one hash: what was transformed by another table is transformed again. */
function tableHash() {
  const hash = createHash('sha256').update(readFileSync(__filename));
  for (const folder of STRAIGHT)
    for (const name of readdirSync(folder, { recursive: true }).sort())
      if (/(^|\/)index\.ts$/.test(name) && !name.includes('node_modules'))
        for (const [exported, made] of exportsOf(join(folder, name))) hash.update(`${name} ${exported} ${relative(ROOT, made.file)} ${made.name}\n`);
  return hash.digest('hex');
}

module.exports = function straightImports({ types: t }) {
  return {
    name: 'straight-imports',
    visitor: {
      Program: {
        enter(program, { filename }) {
          let changed = false;
          for (const path of program.get('body')) {
            if (!path.isImportDeclaration() || path.node.importKind === 'type') continue;
            const index = fileOf(path.node.source.value, filename);
            if (!isIndex(index)) continue;
            const table = exportsOf(index);
            const byFile = new Map();
            const left = path.node.specifiers.filter((specifier) => {
              const made = t.isImportSpecifier(specifier) && specifier.importKind !== 'type' ? table.get(specifier.imported.name) : undefined;
              if (!made) return true;
              const list = byFile.get(made.file) ?? [];
              byFile.set(made.file, [...list, t.importSpecifier(specifier.local, t.identifier(made.name))]);
              return false;
            });
            if (byFile.size === 0) continue;
            const straight = [...byFile].map(([file, specifiers]) => {
              const to = relative(dirname(filename), file).replace(/\.tsx?$/, '');
              return t.importDeclaration(specifiers, t.stringLiteral(to.startsWith('.') ? to : `./${to}`));
            });
            // What is left are types, which go by themselves.
            path.replaceWithMultiple(left.length > 0 ? [t.importDeclaration(left, path.node.source), ...straight] : straight);
            changed = true;
          }
          if (changed) program.scope.crawl();
        },
      },
    },
  };
};
module.exports.tableHash = tableHash;
