import { compileSite } from './core/index.ts';
import { siteOf } from './benchmarks/page.ts';
const large = await siteOf(2000);
const clones=Array.from({length:60},()=>structuredClone(large));
for(let r=0;r<4;r++)for(const c of clones)compileSite(structuredClone(c));
