import { COMMAND_KINDS, parts } from '@tufa/contract/commands';
import { mayWrite, ROLES } from '@tufa/contract/rights';
import { SAMPLES } from '@tufa/contract/test/samples';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import {
  DOCK,
  joinFirm,
  LEAD,
  makeOtherFirm,
  MIXER,
  OWNER,
  PHONE,
  READER,
  sendFrom as send,
  signedIn,
  signInOn,
  SLAB,
  type OtherFirm,
  type TestServer,
} from './harness';

let server: TestServer;
let stop: () => Promise<void>;
/** a firm beside the demonstration */
let theirs: OtherFirm;

const api = '/api/v1';
const phone = () => supertest.agent(server.app);
const join = (name: string, role: string) => joinFirm(server, theirs, name, role);

beforeAll(async () => {
  ({ server, stop } = await signedIn());
  theirs = await makeOtherFirm(server);
}, 60_000);

afterAll(() => stop());

describe('each role', () => {
  const ROLE_OF = { [OWNER]: 'owner', [LEAD]: 'lead', [MIXER]: 'mixer', [READER]: 'reader' } as const;
  const CHANGES: Readonly<Record<string, Readonly<Record<string, unknown>>>> = { 'job.change': { name: 'Mine' }, 'firm.change': { name: 'Mine' } };

  test.each(Object.entries(ROLE_OF))('%s (%s): every kind of command is refused or goes on as its rights have it', async (person, role) => {
    const agent = phone();
    const from = { device: await signInOn(agent, uuid(), person), person };
    for (const kind of COMMAND_KINDS) {
      const { name, verb } = parts(kind);
      const change: Readonly<Record<string, unknown>> = verb === 'add' ? { ...SAMPLES[name].good } : verb === 'remove' ? {} : (CHANGES[kind] ?? {});
      const more = kind === 'pourEvent.add' ? { ...change, ...from } : change;
      const result = await send(agent, from, kind, uuid(), more);
      const refused = result.problem?.code === 'notAllowed';
      expect([kind, refused]).toEqual([kind, !mayWrite(role, kind, { change })]);
    }
  });

  test('a price is the owner’s, a school of the house the lead’s, one’s language one’s own', async () => {
    const lead = phone();
    const from = { device: await signInOn(lead, uuid(), LEAD), person: LEAD };
    const { firm } = (await lead.get(`${api}/changes`)).body.rows;
    const [{ id, settings }] = firm;
    const change = (next: object) => send(lead, from, 'firm.change', id, { settings: { ...settings, ...next } }, { settings });
    expect(await change({ rates: { labour_minor_h: 9900 } })).toMatchObject({ problem: { code: 'notAllowed', figures: { least: 'owner' } } });
    expect(await change({ medianWaste: 0.06 })).toMatchObject({ result: 'done' });
    expect(await send(lead, from, 'person.change', LEAD, { language: 'es' }, { language: null })).toMatchObject({ result: 'done' });
    expect(await send(lead, from, 'person.change', MIXER, { language: 'es' }, { language: null })).toMatchObject({ problem: { code: 'notAllowed' } });
    expect(await send(lead, from, 'person.change', LEAD, { role: 'owner' }, { role: 'lead' })).toMatchObject({ problem: { code: 'notAllowed' } });
  });

  test.each(ROLES)('%s: what is no row is theirs or not', async (role) => {
    const { agent } = role === 'owner' ? theirs : await join(`Acts${role}`, role);
    const asked = [
      ['get', '/doors', 'owner'],
      ['get', '/trail', 'owner'],
      ['get', '/archive', 'owner'],
      ['post', `/people/${theirs.owner}/invitation`, 'owner'],
      ['post', `/jobs/${uuid()}/documents`, 'lead'],
      ['delete', `/documents/${uuid()}/link`, 'lead'],
      ['put', `/photographs/${uuid()}/full`, 'crew'],
      ['put', `/letters/${uuid()}`, 'crew'],
    ] as const;
    for (const [method, path, least] of asked) {
      const answer = await agent[method](`${api}${path}`).send(method === 'post' ? { kind: 'method' } : undefined);
      const rank = { reader: 0, crew: 1, mixer: 1, finisher: 1, lead: 2, owner: 3 };
      expect([path, answer.body?.code === 'notAllowed']).toEqual([path, rank[role] < rank[least]]);
    }
  });
});

test('across firms every address, command and stream answers as if there were nothing', async () => {
  const ours = phone();
  await signInOn(ours, uuid(), OWNER);
  const { body } = await ours.get(`${api}/doors`).expect(200);
  const known = new Set(body.people.map(({ id }: { id: string }) => id));
  expect(known.has(theirs.owner)).toBe(false);
  const { agent } = theirs;
  for (const [method, path] of [
    ['get', `/jobs/${DOCK}`],
    ['get', `/jobs/${DOCK}/plan`],
    ['get', `/jobs/${DOCK}/survey.pdf`],
    ['post', `/people/${LEAD}/invitation`],
    ['delete', `/people/${LEAD}/sessions`],
    ['post', `/devices/${PHONE}/shut`],
    ['delete', `/devices/${PHONE}/shut`],
  ] as const)
    expect([path, (await agent[method](`${api}${path}`).send(method === 'post' ? { unsent: 'take' } : undefined)).status]).toEqual([path, 404]);
  expect((await agent.get(`${api}/jobs/${DOCK}/documents`).expect(200)).body).toEqual({ documents: [] });
  expect((await agent.get(`${api}/search`).query({ q: 'dock' }).expect(200)).body).toMatchObject({ entries: [] });
  const from = { device: theirs.device, person: theirs.owner };
  for (const kind of COMMAND_KINDS) {
    const { verb, name } = parts(kind);
    const target = verb === 'add' ? uuid() : ({ job: DOCK, element: SLAB, person: LEAD }[name as string] ?? uuid());
    const result = await send(agent, from, kind, target, verb === 'add' ? { ...SAMPLES[name].good, ...(kind === 'pourEvent.add' ? from : {}) } : {});
    // What refers to another firm's rows refers to nothing.
    if (verb !== 'add') expect([kind, result.problem?.code]).toEqual([kind, 'notFound']);
    else expect([kind, result.result === 'done' || result.problem?.code === 'refersToUnknown']).toEqual([kind, true]);
  }
  const job = (await ours.get(`${api}/jobs/${DOCK}`).expect(200)).body.job;
  expect(job.name).not.toBe('Dock');
});
