const { readdirSync, realpathSync } = require('node:fs');
const { dirname, join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');
const { tableHash } = require('./straightImports');

const config = getDefaultConfig(__dirname);
config.cacheVersion = tableHash();
// Where packages lie, whichever folder these settings are used in: the empty application of the benches has a copy.
const packages = dirname(dirname(require.resolve('expo/package.json')));
// The gesture library registers its engines in a table of its own module: reached by `import` here and by `require` there
// it would be bundled twice, and the one asked would know no engine.
const resolve = config.resolver.resolveRequest;
// The unit converter says only how it is imported, and what is read late is required.
const fixed = (name) => (name === 'convert' ? join(packages, 'convert/dist/index.js') : name.startsWith('@use-gesture/core') ? require.resolve(name) : null);
config.resolver.resolveRequest = (context, name, platform) => {
  const filePath = fixed(name);
  return filePath ? { type: 'sourceFile', filePath } : (resolve ?? context.resolveRequest)(context, name, platform);
};
// A module is read when something of it is first used, not when it is named: most of a screen is not needed for its first
// look. Not so in the core, whose loops would look up each function again at every turn.
const core = realpathSync(join(packages, '@tufa/core'));
const ofCore = readdirSync(core, { recursive: true }).filter((name) => /\.tsx?$/.test(name));
const blockList = Object.fromEntries(ofCore.map((name) => [join(core, name), true]));
const given = config.transformer.getTransformOptions;
config.transformer.getTransformOptions = async (...asked) => {
  const options = await given?.(...asked);
  return { ...options, transform: { ...options?.transform, inlineRequires: { blockList } } };
};
// In development the API is Express's; its address comes from npm run dev.
const api = process.env.TUFA_API;
if (api) {
  const http = require('node:http');
  config.server.enhanceMiddleware = (metro) => (request, response, next) => {
    if (!request.url?.startsWith('/api/')) return metro(request, response, next);
    const { hostname, port } = new URL(api);
    const onward = http.request({ hostname, port, path: request.url, method: request.method, headers: { ...request.headers, host: hostname } }, (answer) => {
      response.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(response);
    });
    onward.on('error', () => response.writeHead(502).end());
    request.pipe(onward);
  };
}
module.exports = withNativeWind(config, { input: './global.css' });
