// together.mjs BASE SECONDS [write]: people at once on one logbook. Prints, as JSON, what was answered and what was told to be
// kept. With "write" all eight write what they do all day, and nobody brings what touches many runs: so speed is measured.
import { randomUUID } from 'node:crypto';

const [, , base, seconds, only] = process.argv;
if (!/^http:\/\/127\.0\.0\.1:\d+$/.test(base)) throw new Error('only this machine is drilled');
const plain = { 'X-Requested-With': 'footnote', 'Content-Type': 'application/json' };
const answered = {};
const faults = [];
const times = [];
const runs = [];
const checks = [];
const signed = [];
const pick = (list) => list[Math.floor(Math.random() * list.length)];
const wait = (ms) => new Promise((done) => setTimeout(done, ms));

class Person {
  async enter(name) {
    const got = await fetch(`${base}/api/session/begin`, {
      method: 'POST', headers: plain, body: JSON.stringify({ name, password: 'sallow-mill-2026' }),
    });
    if (!got.ok) throw new Error(`sign-in answered ${got.status}`);
    this.cookie = got.headers.getSetCookie().map((one) => one.split(';')[0]).join('; ');
    return this;
  }

  async ask(method, path, body, id = randomUUID()) {
    const began = performance.now();
    const got = await fetch(base + path, {
      method,
      headers: { ...plain, cookie: this.cookie, ...(method === 'GET' ? {} : { 'X-Request-Id': id }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const text = await got.text();
    if (method !== 'GET') times.push(performance.now() - began);
    if (only === 'write') await wait(100);
    answered[got.status] = (answered[got.status] ?? 0) + 1;
    if (got.status >= 500 || got.status === 0) faults.push(`${method} ${path} ${got.status} ${text.slice(0, 200)}`);
    return { status: got.status, data: text === '' ? null : JSON.parse(text) };
  }
}

// Counted from when everybody is in; on a slow machine each still does what it does once.
let end = 0;
const units = ['T-0', 'T-1', 'T-2'];
const reference = only === 'write' ? 'T-K-0' : 'A';
let slot = 0;
const moment = (minutes) => new Date(Date.UTC(2026, 0, 5) + 60000 * minutes).toISOString().replace('.000Z', '+00:00');

/** Starts runs, each sent twice at once as if its answer had been lost, and learns of them. */
const technician = async (person) => {
  do {
    const at = 60 * slot++;
    const id = randomUUID();
    const body = {
      campaign: 'c', instrument: pick(units), start: moment(at), stop: moment(at + 50), person: pick(['P', 'Q']), task: 't', place: 'p',
    };
    const start = () => person.ask('POST', '/api/runs', body, id);
    const both = await Promise.all(only === 'write' ? [start()] : [start(), start()]);
    for (const one of both) if (one.status === 201) runs.push([one.data.id, body.instrument, body.start]);
    const run = both.find((one) => one.status === 201)?.data.id;
    if (run) {
      const seen = Math.random() < 0.5 ? { seen: 0 } : {};
      await person.ask('POST', `/api/runs/${run}/facts`, { clockOffsetSeconds: '5', reason: 'r', ...seen });
    }
    await wait(100);
  } while (Date.now() < end || (runs.length === 0 && Date.now() < end + 60000));
};

/** Walks checks, on units that others check too. */
const checker = async (person) => {
  do {
    const begun = await person.ask('POST', `/api/bench/${pick(units)}/check`, {});
    if (begun.status !== 200) {
      await wait(100);
      continue;
    }
    const answers = {
      ...begun.data.answers, steps: { stopped: 'done' }, reference, setting: '114', adjusted: false,
      asFound: [{ value: (113.6 + Math.random()).toFixed(1), provenance: 'typed' }], at: moment(60 * slot + 55),
    };
    const kept = await person.ask('PUT', `/api/bench/drafts/${begun.data.id}`, { version: begun.data.version, answers });
    if (kept.status === 200) {
      const done = await person.ask('POST', `/api/bench/drafts/${begun.data.id}/accept`, { version: kept.data.version });
      if (done.status === 201) checks.push(done.data.check);
    }
    await wait(100);
  } while (Date.now() < end || (checks.length === 0 && Date.now() < end + 60000));
};

/** Looks at results and signs what it saw; moves limits. */
const hygienist = async (person) => {
  do {
    const ledger = await person.ask('GET', `/api/results${pick(['', '?verdict=valid', '?instrument=T-1'])}`);
    const run = pick(ledger.data.rows ?? [])?.run;
    if (run) {
      const page = await person.ask('GET', `/api/results/${run}`);
      if (page.status === 200) {
        const got = await person.ask('POST', `/api/results/${run}/decision`, {
          kind: 'void', digest: page.data.digest, reason: 'drilled', after: page.data.decisions?.[0]?.id,
        });
        if (got.status === 201) signed.push(run);
      }
    }
    const campaign = (await person.ask('GET', '/api/campaigns')).data.campaigns[0];
    if (Math.random() < 0.2) {
      const { version, criteria, limits } = campaign;
      await person.ask('POST', '/api/campaigns/c/yardsticks', { version, criteria, limits });
    }
    await wait(100);
  } while (Date.now() < end);
};

/** Brings what touches many runs at once. */
const steward = async (person) => {
  do {
    await person.ask('POST', '/api/kit/references/A/recalls', {
      since: moment(60 * slot - 200), until: moment(60 * slot), reason: 'r', error: null,
    });
    await person.ask('POST', `/api/bench/${pick(units)}/interventions`, { kind: 'repaired', at: moment(60 * slot + 58), note: 'n' });
    await person.ask('GET', '/api/day?date=2026-01-05');
    await wait(400);
  } while (Date.now() < end);
};

const people = [];
const all = [
  ['technician', technician], ['technician', technician], ['technician', technician], ['technician', checker], ['technician', checker],
  ['hygienist', hygienist], ['hygienist', hygienist], ['steward', steward],
];
const writers = [...Array(5).fill(['technician', technician]), ...Array(3).fill(['technician', checker])];
for (const [name, does] of only === 'write' ? writers : all) {
  people.push([await new Person().enter(name), does]);
}
end = Date.now() + 1000 * Number(seconds);
await Promise.all(people.map(([person, does]) => does(person)));

// What is on the screen is what is judged afresh when somebody decides: nothing that is kept is stale.
const last = await new Person().enter('hygienist');
const stale = [];
for (const run of only === 'write' ? [] : new Set(runs.map(([id]) => id))) {
  const page = await last.ask('GET', `/api/results/${run}`);
  const got = await last.ask('POST', `/api/results/${run}/decision`, {
    kind: 'void', digest: page.data.digest, reason: 'drilled', after: page.data.decisions?.[0]?.id,
  });
  if (got.status !== 201) stale.push([run, got.status, got.data?.detail]);
}
times.sort((a, b) => a - b);
console.log(JSON.stringify({
  answered, faults, runs, checks, stale, signed: signed.length,
  changes: times.length, p95: times[Math.floor(times.length * 0.95)] ?? 0, longest: times[times.length - 1] ?? 0,
}));
