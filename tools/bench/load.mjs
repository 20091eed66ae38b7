// load.mjs BASE ROUNDS PATH...: signs in, then asks for each path with one client, and with four at once; prints milliseconds as JSON, and
// the seconds in which what an import had left was worked out before.
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
  const began = performance.now();
  // A list works out for a second, each time that it is asked, until nothing is left.
  for (const url of urls) for (let times = 0; times < 300 && (await ask(url)) > 700; times += 1);
  const before = (performance.now() - began) / 1000;
  const asked = async (clients, most) => {
    const times = [];
    let next = 0;
    await Promise.all(Array.from({ length: clients }, async () => {
      while (next < most) times.push(await ask(urls[next++ % urls.length]));
    }));
    return times.sort((a, b) => a - b);
  };
  const at = (times, share) => times[Math.floor(times.length * share)];
  const alone = await asked(1, Number(rounds) / 4);
  const times = await asked(4, Number(rounds));
  found[group.split('|')[0]] = { before, alone: at(alone, 0.95), median: at(times, 0.5), p95: at(times, 0.95) };
}
console.log(JSON.stringify(found));
