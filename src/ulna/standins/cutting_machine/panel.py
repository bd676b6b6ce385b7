"""The machine's own panel: a page in the browser that shows the bed and has its keys."""

PANEL = """<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Cutting machine</title><style>
body{font:17px/1.45 system-ui,sans-serif;margin:0;background:#e9eceb;color:#1f2a2d}
main{max-width:1000px;margin:0 auto;padding:20px;display:grid;gap:20px;grid-template-columns:minmax(0,1fr) 300px}
h1{font-size:20px;margin:0 0 4px;grid-column:1/-1}
#bed{background:#fff;border:1px solid #b9c3c2;min-height:320px;display:grid;place-items:center;padding:10px}
#bed svg{max-width:100%;max-height:70vh;height:auto}
button{font:inherit;display:block;width:100%;min-height:44px;margin:0 0 8px;border:1px solid #5d6d70;background:#fff;
border-radius:4px;cursor:pointer;text-align:left;padding:6px 12px}
button:focus-visible{outline:3px solid #2c6e7f}
progress{width:100%;height:14px}#says{font-weight:700;min-height:3em}
h2{font-size:15px;margin:18px 0 6px}
@media(max-width:700px){main{grid-template-columns:1fr}}
</style></head><body><main><h1>Cutting machine <span id="blade"></span></h1>
<div id="bed" role="img" aria-label="The bed">Nothing lies on the bed.</div><div>
<div id="name"></div><progress id="how" max="1" value="0" aria-label="How far"></progress>
<div id="says" role="status"></div>
<button data-act="pause">Pause</button><button data-act="resume">Go on</button><button data-act="cancel">Stop</button>
<h2>Hands</h2><button data-hand="straighten">The paper lies straight again</button>
<button data-hand="blade">A new blade is in</button><button data-hand="empty">The bed is cleared</button>
<h2>To try it out</h2><button data-hand="slip">Let the paper slip</button>
<button data-hand="wear">Wear the blade</button></div></main><script>
let job=null
const one=(id)=>document.getElementById(id)
async function look(){
 const m=await (await fetch("machine")).json()
 one("blade").textContent="· blade good for "+Math.round(m.blade)+" in"+(m.bed_full?" · bed full":"")
 job=m.jobs.find(j=>!["done","cancelled"].includes(j.state))||m.jobs.at(-1)||null
 if(!job)return
 one("name").textContent=job.name+" · "+job.state
 one("how").value=job.lines.length?job.done/job.lines.length:0
 one("says").textContent=job.says||(job.state==="done"?"Cut. Take it off the bed.":Math.ceil(job.left)+" s to go")
 one("bed").innerHTML=await (await fetch("jobs/"+job.id+"/tray.svg")).text()
}
document.addEventListener("click",async(e)=>{const b=e.target.closest("button");if(!b)return
 if(b.dataset.hand)await fetch("hands/"+b.dataset.hand,{method:"POST"})
 else if(job)await fetch("jobs/"+job.id+"/"+b.dataset.act,{method:"POST"})
 look()})
setInterval(()=>look().catch(()=>{}),500);look()
</script></body></html>
"""
