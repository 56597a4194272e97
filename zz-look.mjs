import { writeFileSync } from 'node:fs';
const url = process.env.LEVAMEN_E2E_URL;
const id = '00000000-0000-4000-8000-0000000000b1';
const job = await (await fetch(`${url}/api/jobs/${id}`)).json();
const asked = { request: { kind: 'report', sheet: 'letter', language: 'en', designIds: [job.document.chosenDesignId], without: [] }, format: 'pdf', jobRevision: job.revision, issue: null };
const made = await (await fetch(`${url}/api/jobs/${id}/papers/orders`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(asked) })).json();
console.log(JSON.stringify(made).slice(0, 300));
for (let i = 0; i < 120; i++) { const o = await (await fetch(`${url}/api/jobs/${id}/papers/orders/${made.id}`)).json(); if (o.state !== 'waiting' && o.state !== 'making') { console.log(JSON.stringify(o).slice(0, 300)); break; } await new Promise((r) => setTimeout(r, 500)); }
const file = await fetch(`${url}/api/jobs/${id}/papers/orders/${made.id}/file`);
console.log(file.status, file.headers.get('content-type'));
writeFileSync('/tmp/report.pdf', Buffer.from(await file.arrayBuffer()));
