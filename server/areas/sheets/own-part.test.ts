import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addPart } from '@rocchetto/core';
import { sash } from '@rocchetto/core/garment/testing-part.ts';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { clientBody, json, sessionBody, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let away: () => void;
beforeAll(async () => {
  t = await startTestApp();
  away = addPart(sash);
});
afterAll(async () => {
  away();
  await t.close();
});

it('a part of the tests’ own goes from the brief to the PDF, and nothing of the house knows it by name', async () => {
  const fitter = await t.as('fitter');
  const client = await json(fitter.send('POST', '/clients', clientBody('Sash Wearer')), 201);
  const order = await json(fitter.send('POST', '/orders', { clientId: client.id, what: 'Sash' }), 201);
  const brief = { version: 2, parts: [{ part: 'sash', width: '12 cm', motto: 'per mare' }] };
  await json(fitter.send('PUT', `/orders/${order.id}/brief`, { version: order.version, brief }));
  await json(fitter.send('POST', '/readings', sessionBody(client.id, order.id, ['waist 74 cm'])));
  const file = await json(fitter.get(`/orders/${order.id}/sheet.json`));
  expect(file.printed.figures.find((f: { id: string }) => f.id === 'sash.length').finished).toBe('156.5 cm');
  expect(await (await fitter.get(`/orders/${order.id}/sheet.csv`)).text()).toContain('sash, length');
  const dir = mkdtempSync(join(tmpdir(), 'sash-'));
  try {
    const pdf = await fitter.get(`/orders/${order.id}/sheet.pdf`);
    writeFileSync(join(dir, 'sheet.pdf'), Buffer.from(await pdf.arrayBuffer()));
    execFileSync('pdftotext', ['-enc', 'UTF-8', join(dir, 'sheet.pdf'), join(dir, 'sheet.txt')]);
    const paper = readFileSync(join(dir, 'sheet.txt'), 'utf8').replace(/\s+/g, ' ');
    for (const word of ['sash, length', '156.5 cm', 'lengthwise along the sash', 'per mare', 'all edges'])
      expect(paper).toContain(word);
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
});
