// unit.mjs BASE RUN: what a check and a judging cost on a unit with a past. Prints medians in milliseconds as JSON.
const [, , base, run] = process.argv;
if (!/^http:\/\/127\.0\.0\.1:\d+$/.test(base)) throw new Error('only this machine is measured');
const headers = { 'X-Requested-With': 'footnote', 'Content-Type': 'application/json' };
const entered = await fetch(`${base}/api/session/begin`, {
  method: 'POST', headers, body: JSON.stringify({ name: 'hygienist', password: 'sallow-mill-2026' }),
});
if (!entered.ok) throw new Error(`sign-in answered ${entered.status}`);
const cookie = entered.headers.getSetCookie().map((one) => one.split(';')[0]).join('; ');
const ask = async (method, path, body) => {
  const began = performance.now();
  const got = await fetch(base + path, { method, headers: { ...headers, cookie }, ...(body ? { body: JSON.stringify(body) } : {}) });
  const text = await got.text();
  if (!got.ok) throw new Error(`${path} answered ${got.status} ${text.slice(0, 300)}`);
  return { data: JSON.parse(text), ms: performance.now() - began };
};
const median = (list) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)];
const accepted = [];
const judged = [];
await ask('GET', `/api/results/${run}`);
for (let i = 0; i < 21; ++i) {
  const begun = (await ask('POST', '/api/bench/B-00/check', {})).data;
  const answers = {
    ...begun.answers, steps: { stopped: 'done' }, reference: 'K-0', setting: '114', adjusted: false,
    asFound: [{ value: '114.0', provenance: 'typed' }],
  };
  const kept = (await ask('PUT', `/api/bench/drafts/${begun.id}`, { version: begun.version, answers })).data;
  accepted.push((await ask('POST', `/api/bench/drafts/${begun.id}/accept`, { version: kept.version })).ms);
  // The run is touched, so that its page judges it anew.
  await ask('POST', `/api/runs/${run}/facts`, { clockOffsetSeconds: String(i), reason: 'measured' });
  judged.push((await ask('GET', `/api/results/${run}`)).ms);
}
console.log(JSON.stringify({ accepted: median(accepted), judged: median(judged) }));
