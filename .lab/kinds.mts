import { createCanvas } from '@napi-rs/canvas';
import { evaluate } from '/work/main/src/core/scene';
import { paint } from '/work/main/src/core/paint';
import { revealedTitle } from '/work/main/scripts/bench/pieces';
const p = revealedTitle(40);
const l = evaluate(p, 50);
console.log(l.items.length, [...new Set(l.items.map(i=>i.kind+':'+((i as any).items?.map((x:any)=>x.kind+(x.operator??'')).join('+'))))], (l.items[0] as any).path.length);
const c=createCanvas(1920,1080), x=c.getContext('2d');
function t(list:any){ const b=performance.now(); for(let i=0;i<20;i++){x.clearRect(0,0,1920,1080); paint(list,x as any,createCanvas as any); x.getImageData(0,0,1,1);} return (performance.now()-b)/20; }
const strokes={...l, items:l.items.flatMap((i:any)=>i.items)};
const fills={...l, items:l.items.map((i:any)=>({kind:'fill',path:i.path,colour:'#fff',opacity:1}))};
for(let k=0;k<3;k++) console.log('clip',t(l),'strokes',t(strokes),'fills',t(fills));
