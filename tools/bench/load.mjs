// load.mjs BASE ROUNDS PATH...: signs in, then asks for each path with four clients at once; prints milliseconds as JSON.
// Bounded in count; the server is always one on this machine.
const [, , base, rounds, ...paths] = process.argv;
if (!/^http:\/\/127\.0\.0\.1:\d+$/.test(base)) throw new Error('only this machine is measured');
const headers = { 'X-Requested-With': 'footnote', 'Content-Type': 'application/json' };
const entered = await fetch(`${base}/api/session/begin`, { method: 'POST', headers, body: JSON.stringify({ name: 'hygienist', password: 'sallow-mill-2026' }) });
if (!entered.ok) throw new Error(`sign-in answered ${entered.status}`);
const cookie = entered.headers.getSetCookie().map((one) => one.split(';')[0]).join('; ');
const ask = async (path) => {
  const began = performance.now();
  const got = await fetch(base + path, { headers: { cookie } });
  await got.arrayBuffer();
  if (!got.ok) throw new Error(`${path} answered ${got.status}`);
  return performance.now() - began;
};
const found = {};
for (const group of paths) {
  const urls = group.split('|');
  for (const url of urls) await ask(url);
  const times = [];
  let next = 0;
  await Promise.all([0, 1, 2, 3].map(async () => {
    while (next < Number(rounds)) times.push(await ask(urls[next++ % urls.length]));
  }));
  times.sort((a, b) => a - b);
  found[group.split('|')[0]] = { median: times[Math.floor(times.length / 2)], p95: times[Math.floor(times.length * 0.95)] };
}
console.log(JSON.stringify(found));
