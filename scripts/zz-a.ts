// @ts-nocheck
import { look } from '/tmp/h/shot';
async function main() {
  await look(process.env.BASE_URL, async ({ page, open, shot }) => {
    const t0 = Date.now(); const began = new Map();
    page.on('request', r => { if (/thumbnail|strip/.test(r.url())) { began.set(r.url(), Date.now()); console.log(Date.now()-t0, 'ask', r.url().slice(-60)); } });
    page.on('requestfinished', r => { if (began.has(r.url())) console.log(Date.now()-t0, 'done', Date.now()-began.get(r.url())); });
    page.on('requestfailed', r => { if (began.has(r.url())) console.log(Date.now()-t0, 'FAILED', r.failure()?.errorText); });
    await page.goto(process.env.BASE_URL + '/'); await page.waitForTimeout(9000); await shot('list');
  });
}
void main();
