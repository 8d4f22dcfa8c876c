import { signedIn, type TestServer } from './harness';

let server: TestServer;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ server, stop } = await signedIn());
}, 60_000);

afterAll(() => stop());

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
  readonly handle?: { readonly stack?: readonly Layer[] };
}

/** Every route that a router answers, those of the routers in it too. */
const routesOf = (layers: readonly Layer[]): string[] =>
  layers.flatMap(({ route, handle }) =>
    route ? Object.keys(route.methods).map((method) => `${method} ${route.path}`) : handle?.stack ? routesOf(handle.stack) : [],
  );

interface Paths {
  readonly paths: Readonly<
    Record<string, Readonly<Record<string, { readonly responses: object; readonly parameters: readonly { in: string; name: string }[] }>>>
  >;
  readonly components: { readonly schemas: Readonly<Record<string, object>> };
}

test('every path of the running server is described, and nothing else is', async () => {
  const { body } = await server.request.get('/api/v1/openapi.json').expect(200);
  const described = Object.entries((body as Paths).paths).flatMap(([path, methods]) => Object.keys(methods).map((method) => `${method} ${path}`));
  const { router } = server.app as unknown as { router: { stack: readonly Layer[] } };
  const running = routesOf(router.stack)
    .filter((route) => !route.includes('{*path}'))
    .map((route) => route.replace(' /', ' /api/v1/').replace(/:(\w+)/g, '{$1}'));
  expect(described.sort()).toEqual(running.sort());
});

test('what is named in it is there, and a path that wants a signature says so', async () => {
  const { paths, components } = (await server.request.get('/api/v1/openapi.json')).body as Paths;
  for (const [, name] of JSON.stringify(paths).matchAll(/#\/components\/schemas\/(\w+)/g)) expect(components.schemas).toHaveProperty(name!);
  // Where nobody need be signed in: what is public, and the doors themselves.
  const open = /^\/api\/v1\/(health|ready|metrics|openapi.json|people|session(\/.*)?|invitations\/look|shown\/.*)$/;
  for (const [path, methods] of Object.entries(paths))
    for (const { responses, parameters } of Object.values(methods)) {
      if (!open.test(path)) expect(responses).toHaveProperty('401');
      expect(parameters.filter((each) => each.in === 'path').map(({ name }) => `{${name}}`)).toEqual(path.match(/\{\w+\}/g) ?? []);
    }
});
