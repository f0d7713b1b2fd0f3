import { chromium } from 'playwright';
import { writeFileSync } from 'node:fs';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const page = await b.newPage({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
page.on('console', (m) => { if (m.type() === 'error') console.log('console', m.text()); });
const base = 'http://127.0.0.1:4310';
await page.goto(base + '/demo'); await page.waitForURL('**/today'); await page.waitForTimeout(1500);
const shots = async (name) => { for (const [i, c] of (await page.locator('canvas').all()).entries()) { const src = await c.evaluate((c) => c.toDataURL('image/png')); writeFileSync(`/tmp/x/${name}-${i}.png`, Buffer.from(src.split(',')[1], 'base64')); } console.log(name, await page.locator('canvas').count()); };
await page.goto(base + '/routines/demo-reeling/give');
await page.locator('canvas').first().waitFor({timeout: 60000}); await page.waitForTimeout(2500);
await shots('pin');
await page.getByText('Pages to learn from').click(); await page.waitForTimeout(6000); await shots('pages');
await page.goto(base + '/routines'); await page.waitForTimeout(1000);
const hrefs = await page.locator('a[href^="/routines/"]').evaluateAll((as) => [...new Set(as.map((a) => a.getAttribute('href')))]);
for (const h of hrefs) { if (h.includes('chains')) continue; await page.goto(base + h + '/give'); await page.locator('canvas').first().waitFor({timeout: 60000}).catch(()=>0); await page.waitForTimeout(2500); console.log(h, await page.locator('canvas').count()); if (h.includes('morning')) await shots('morning'); }
await b.close();
