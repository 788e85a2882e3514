import { expandRows, fewestRows, StateSpace, whenOf } from '../core/states/index.ts';
import { chance } from '../demo/art/canvas.ts';
const sizes=[16,16,8,8]; const many=256;
const mk=()=>new StateSpace(sizes.map((size,i)=>({name:`p${i}`,kind:'number' as const,min:0,max:size-1,default:0})));
const rowsOf=(space: StateSpace)=>{const random=chance(many); const r: {when?: any; value:number}[]=Array.from({length:many-1},(_,i)=>({when:whenOf(space,space.values.map((list)=>{const [from,length]=[Math.floor(random()*list.length),1+Math.floor(random()*(list.length/2))];return Array.from({length},(__,k)=>(from+k)%list.length).sort((a,b)=>a-b);})),value:i%16}));return [...r,{value:99}];};
const s0=mk(); const v=expandRows(rowsOf(s0),s0);
for(let i=0;i<20;i++){const s=mk();const r=rowsOf(s);const t=performance.now();fewestRows(v,s,r);if(i>15)console.log((performance.now()-t).toFixed(1));}
