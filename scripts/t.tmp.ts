import { readFileSync } from 'node:fs';
import { readPlanText } from '@ombra/core/plan';
import { work } from '@ombra/core/work';
import { packetDocument } from '../app/src/server/packet/packet';
import { wordsOf } from '../app/src/server/packet/words';
import { renderPdf } from '../app/src/server/packet/pdf';
import { readChoice } from '../app/src/stages/packet/choice';
const r = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json','utf8')); if(!r.ok) throw 1;
const job = { plan: r.plan, worked: work(r.plan), jobId:'abcdefgh', version:12, savedAt:'2026-11-30T00:00:00Z', entries: [] } as any;
const c = readChoice(new URLSearchParams({}), 'letter'); if(!c.ok) throw c;
for (let i=0;i<2;i++) { let t=Date.now();
const doc = packetDocument({job, choice: c.choice, words: wordsOf('en'), origin: 'http://127.0.0.1:4321'}); console.log('doc', Date.now()-t); t=Date.now();
await renderPdf(doc); console.log('pdf', Date.now()-t); }
