import { SAMPLES } from '@tufa/contract/test/samples';
import type { AddressInfo } from 'node:net';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { command, LEAD, joinFirm, makeOtherFirm, PASSPHRASE, PLINTH, sendFrom as send, signedIn, signInOn, type OtherFirm, type TestServer } from './harness';

type Agent = TestServer['request'];
let server: TestServer;
let stop: () => Promise<void>;
/** a firm beside the demonstration */
let theirs: OtherFirm;

const api = '/api/v1';
const device = () => ({ id: uuid(), label: 'test' });
const phone = (): Agent => supertest.agent(server.app);
const byPassphrase = (agent: Agent, signIn: string, passphrase = PASSPHRASE) =>
  agent.post(`${api}/session/passphrase`).send({ signIn, passphrase, device: device() });

const join = (name: string, role: string) => joinFirm(server, theirs, name, role);

beforeAll(async () => {
  ({ server, stop } = await signedIn());
  theirs = await makeOtherFirm(server);
}, 60_000);

afterAll(() => stop());

test('a code makes one firm, with the shipped shelf and nothing of another’s', async () => {
  const { body } = await theirs.agent.get(`${api}/changes`).expect(200);
  expect(Object.keys(body.rows).sort()).toEqual(['firm', 'person', 'product', 'sheet']);
  expect(body.rows.person).toHaveLength(1);
  const asked = { firm: 'X', name: 'X', signIn: 'x@x.example', passphrase: PASSPHRASE, system: 'us', currency: 'USD', device: device() };
  for (const code of ['aaaaa-aaaaa-aaaaa-aaaaa', 'bbbbb bbbbb bbbbb bbbbb'])
    expect(
      (
        await phone()
          .post(`${api}/firms`)
          .send({ ...asked, code })
      ).body.code,
    ).toBe('noSuchCode');
});

test('a passphrase that is guessed quickly is refused, and a weak one costs no code', async () => {
  const { token } = (await theirs.agent.post(`${api}/people/${theirs.owner}/invitation`).expect(201)).body;
  for (const passphrase of ['short', 'password1234', 'aaaaaaaaaaaaaaaa', 'owner@theirs.example'])
    expect([
      passphrase,
      (await phone().post(`${api}/session/invitation`).send({ token, signIn: 'owner@theirs.example', passphrase, device: device() })).status,
    ]).toEqual([passphrase, 422]);
  await phone().post(`${api}/session/invitation`).send({ token, signIn: 'owner@theirs.example', passphrase: PASSPHRASE, device: device() }).expect(201);
  // It opens once.
  await phone().post(`${api}/invitations/look`).send({ token }).expect(404);
});

test('whether anybody is called so is not told, and after ten tries the door stays shut for whoever tries', async () => {
  await join('Shy', 'crew');
  const answers = async (signIn: string) => {
    const told: unknown[] = [];
    for (let i = 0; i < 11; i += 1) {
      const { status, body } = await byPassphrase(phone(), signIn, 'not this one');
      told.push([status, body.code]);
    }
    return told;
  };
  const somebody = await answers('shy@theirs.example');
  expect(somebody).toEqual(await answers('nobody@theirs.example'));
  expect(somebody).toEqual([...Array(10).fill([401, 'notKnown']), [429, 'lockedOut']]);
  expect((await byPassphrase(phone(), 'shy@theirs.example')).body.code).toBe('lockedOut');
});

test('an invitation ends after three days, and a newer one takes its place', async () => {
  const person = uuid();
  await send(theirs.agent, { device: theirs.device, person: theirs.owner }, 'person.add', person, { name: 'Late', role: 'crew' });
  const invited = async () => (await theirs.agent.post(`${api}/people/${person}/invitation`).expect(201)).body.token as string;
  const [first, second] = [await invited(), await invited()];
  await phone().post(`${api}/invitations/look`).send({ token: first }).expect(404);
  expect((await phone().post(`${api}/invitations/look`).send({ token: second }).expect(200)).body).toMatchObject({
    firm: 'Theirs',
    name: 'Late',
    role: 'crew',
  });
  const before = server.clock.now;
  server.clock.now = new Date(before.getTime() + 3 * 86400_000 + 1);
  await phone().post(`${api}/session/invitation`).send({ token: second, signIn: 'late@theirs.example', passphrase: PASSPHRASE, device: device() }).expect(404);
  server.clock.now = before;
});

test('a code opens once where a passphrase is lost, and sets another', async () => {
  const [code] = theirs.codes;
  const recover = (passphrase: string) =>
    phone()
      .post(`${api}/session/recovery`)
      .send({ signIn: 'owner@theirs.example', code: code!.toUpperCase().replaceAll('-', ' '), passphrase, device: device() });
  await recover('pumice pumice lantern gravel').expect(201);
  await recover('another gravel lantern pumice').expect(401);
  await byPassphrase(phone(), 'owner@theirs.example').expect(401);
  await byPassphrase(phone(), 'owner@theirs.example', 'pumice pumice lantern gravel').expect(201);
  await theirs.agent.put(`${api}/passphrase`).send({ former: 'pumice pumice lantern gravel', passphrase: PASSPHRASE }).expect(204);
});

test('whoever leaves the firm is out everywhere at once, and nothing opens for them any more', async () => {
  const lead = await join('Leaving', 'lead');
  const second = phone();
  await byPassphrase(second, lead.signIn).expect(201);
  const { token } = (await theirs.agent.post(`${api}/people/${lead.person}/invitation`).expect(201)).body;
  expect(await send(theirs.agent, { device: theirs.device, person: theirs.owner }, 'person.remove', lead.person, {})).toMatchObject({ result: 'done' });
  for (const agent of [lead.agent, second]) await agent.get(`${api}/changes`).expect(401);
  await byPassphrase(phone(), lead.signIn).expect(401);
  await phone().post(`${api}/session/invitation`).send({ token, signIn: lead.signIn, passphrase: PASSPHRASE, device: device() }).expect(404);
});

test('signed out everywhere ends every session of a person, by themselves or by an owner, and not by a lead', async () => {
  const [lead, crew] = [await join('Ender', 'lead'), await join('Ended', 'crew')];
  await lead.agent.delete(`${api}/people/${crew.person}/sessions`).expect(403);
  await theirs.agent.delete(`${api}/people/${crew.person}/sessions`).expect(204);
  await crew.agent.get(`${api}/changes`).expect(401);
  await lead.agent.delete(`${api}/people/${lead.person}/sessions`).expect(204);
  await lead.agent.get(`${api}/changes`).expect(401);
});

test('a session that is ended while a stream of it is open stays ended', async () => {
  const crew = await join('Streamer', 'crew');
  const http = server.app.listen(0);
  const cookie = crew.agent.jar.getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false }).toValueString();
  const news = await fetch(`http://127.0.0.1:${(http.address() as AddressInfo).port}${api}/news`, { headers: { cookie } });
  const heard = news.text();
  await theirs.agent.delete(`${api}/people/${crew.person}/sessions`).expect(204);
  expect(await heard).toContain('retry');
  await crew.agent.get(`${api}/changes`).expect(401);
  await new Promise((done) => http.close(done));
});

test('a firm always has an owner', async () => {
  const from = { device: theirs.device, person: theirs.owner };
  for (const [kind, change, base] of [
    ['person.change', { role: 'lead' }, { role: 'owner' }],
    ['person.remove', {}, null],
  ] as const)
    expect(await send(theirs.agent, from, kind, theirs.owner, change, base)).toMatchObject({ result: 'refused', problem: { code: 'lastOwner' } });
});

test('a lost phone is shut out at its next request; what it had not sent is taken once, then it says that it is empty', async () => {
  const crew = await join('Loser', 'crew');
  const job = uuid();
  const mine = { device: theirs.device, person: theirs.owner };
  await send(theirs.agent, mine, 'job.add', job, SAMPLES.job.good);
  const read = () =>
    command('reading.add', uuid(), { ...SAMPLES.reading.good, jobId: job, elementId: null, findingId: null }, { device: crew.device, person: crew.person });
  await theirs.agent.post(`${api}/devices/${crew.device}/shut`).send({ unsent: 'take' }).expect(204);
  await crew.agent.post(`${api}/commands`).send([read()]).expect(401);
  expect((await crew.agent.get(`${api}/session`).expect(403)).body).toMatchObject({ code: 'shutOut', figures: { taking: true } });
  await byPassphrase(crew.agent, crew.signIn).expect(403);
  // Whoever had it may be gone since: what it holds is taken by the owner's word.
  expect(await send(theirs.agent, mine, 'person.remove', crew.person, {})).toMatchObject({ result: 'done' });
  await crew.agent.post(`${api}/session/last`).expect(204);
  expect((await crew.agent.post(`${api}/commands`).send([read()]).expect(200)).body.results[0]).toMatchObject({ result: 'done' });
  for (const path of ['/changes', `/jobs/${job}`, '/news', '/doors/mine']) await crew.agent.get(`${api}${path}`).expect(403);
  await crew.agent.post(`${api}/session/wiped`).expect(204);
  await crew.agent.post(`${api}/commands`).send([read()]).expect(401);
  await crew.agent.post(`${api}/session/last`).expect(403);
  const { devices } = (await theirs.agent.get(`${api}/doors`).expect(200)).body;
  expect(devices.find(({ id }: { id: string }) => id === crew.device)).toMatchObject({ shut: 'ended', wipedAt: expect.any(String) });
});

test('a phone of which nothing is taken sends nothing, and one that is found again is let in', async () => {
  const crew = await join('Finder', 'crew');
  await theirs.agent.post(`${api}/devices/${crew.device}/shut`).send({ unsent: 'leave' }).expect(204);
  expect((await crew.agent.get(`${api}/session`).expect(403)).body.figures).toEqual({ taking: false });
  await crew.agent.post(`${api}/session/last`).expect(403);
  await theirs.agent.delete(`${api}/devices/${crew.device}/shut`).expect(204);
  const { body } = await byPassphrase(crew.agent, crew.signIn).expect(201);
  expect(body.device).toBe(crew.device);
});

test('a customer reads one document by a link until it ends, and the firm’s other doors stay shut', async () => {
  const lead = phone();
  await signInOn(lead, uuid(), LEAD);
  const { body } = await lead.post(`${api}/jobs/${PLINTH}/documents`).send({ kind: 'quantities' }).expect(202);
  while ((await lead.get(`${api}/documents/${body.id}`)).body.state === 'making');
  const { path } = (await lead.post(`${api}/documents/${body.id}/link`).send({ days: 7 }).expect(201)).body;
  const customer = phone();
  expect((await customer.get(path).expect(200)).headers['content-type']).toContain('application/pdf');
  await customer.get(`${api}/documents/${body.id}/file`).expect(401);
  const before = server.clock.now;
  server.clock.now = new Date(before.getTime() + 7 * 86400_000 + 1);
  expect((await customer.get(path).expect(404)).body.code).toBe('linkEnded');
  server.clock.now = before;
  await customer.get(path).expect(200);
  await lead.delete(`${api}/documents/${body.id}/link`).expect(204);
  await customer.get(path).expect(404);
});

test('the demonstration opens by one tap on its own machine alone', async () => {
  const from = (header: string, value: string) => supertest(server.app).post(`${api}/session`).set(header, value).send({ personId: LEAD, device: device() });
  expect((await from('x-forwarded-for', '10.1.1.1')).body.code).toBe('noDemonstration');
  expect((await supertest(server.app).get(`${api}/people`).set('x-forwarded-for', '10.1.1.1')).body).toEqual({ firm: '', people: [], demonstration: false });
  expect((await from('origin', 'https://evil.example')).body.code).toBe('notHere');
  expect((await from('origin', 'http://127.0.0.1')).status).toBe(201);
});
