import { serve } from './lib/serve.mjs'
import { ownDatabase, temporaryCluster } from './lib/cluster.mjs'
import { needBuild } from './lib/prepare.mjs'
import { mkdirSync } from 'node:fs'
import { chromium } from '@playwright/test'
if (process.argv[3] !== "raw") needBuild()
const c = await temporaryCluster(); mkdirSync('/tmp/bpw',{recursive:true})
const s = await serve(ownDatabase(c, '/tmp/bpw', 'bench'), 0, { LOG_LEVEL: 'error' })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic'] })
try {
 const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
 await page.goto(`${s.address}/riders?search=Baptiste`); await page.getByRole('link', { name: /First visit/ }).click(); await page.getByRole('heading', { name: 'What hurts or fails?' }).waitFor()
 const cdp = await page.context().newCDPSession(page); await cdp.send('Performance.enable'); await cdp.send('Profiler.enable'); await cdp.send('Profiler.setSamplingInterval',{interval:200})
 const metrics = async () => Object.fromEntries((await cdp.send('Performance.getMetrics')).metrics.map(m=>[m.name,m.value]))
 const report = async (name, n, act) => {
  if (process.argv[3]==='trace') { await browser.startTracing(page,{path:'/tmp/trace.json',categories:['devtools.timeline','cc','viz','disabled-by-default-devtools.timeline']}); await act(); await browser.stopTracing(); return }
  const a = await metrics(); await cdp.send('Profiler.start'); await act(); const { profile: p } = await cdp.send('Profiler.stop'); const b = await metrics()
  console.log('==', name, Object.fromEntries(['ScriptDuration','LayoutDuration','RecalcStyleDuration','TaskDuration','LayoutCount','RecalcStyleCount'].map(k=>[k,((b[k]-a[k])/n*(k.endsWith('Count')?1:1000)).toFixed(2)])))
  const self={},idx={}; p.nodes.forEach(x=>idx[x.id]=x); const par={}; p.nodes.forEach(x=>(x.children||[]).forEach(ch=>par[ch]=x.id))
  const incl={}; p.samples.forEach((x,i)=>{const dt=p.timeDeltas[i]; const f=idx[x].callFrame; const k=f.functionName+' '+f.url.split('/').pop().slice(0,22); self[k]=(self[k]||0)+dt; const seen=new Set(); let y=x; while(y){const g=idx[y].callFrame; const kk=g.functionName+' '+g.url.split('/').pop().slice(0,22); if(!seen.has(kk)){incl[kk]=(incl[kk]||0)+dt; seen.add(kk)} y=par[y]} })
  const top=(o,m)=>Object.entries(o).filter(([k])=>!/^\((idle|root)/.test(k)).sort((x,y)=>y[1]-x[1]).slice(0,m).map(([k,v])=>(v/1000/n).toFixed(2)+' '+k).join('\n  ')
  console.log(' self ms/event\n  '+top(self,16)); console.log(' incl\n  '+top(incl,46))
 }
 if (process.argv[2]==='keys') {
  await page.keyboard.press('3'); await page.getByTestId('try').waitFor(); await page.waitForTimeout(500)
  const field = page.getByRole('textbox', { name: 'Behind ball of foot, left' }); await field.fill('4'); await page.keyboard.press('End')
  await report('keys', 80, async()=>{ for (let i=0;i<80;i++){ await page.keyboard.press(i%2===0?'2':'Backspace'); await page.waitForTimeout(60)} })
 } else {
  await page.keyboard.press('2'); const h = page.getByTestId('handle-saddle'); await h.waitFor(); await page.waitForTimeout(900); const b=await h.boundingBox(); const x=b.x+b.width/2,y=b.y+b.height/2
  if (process.env.CSS) await page.evaluate(c => { const s=new CSSStyleSheet(); s.replaceSync(c); document.adoptedStyleSheets=[...document.adoptedStyleSheets,s] }, process.env.CSS)
  await page.mouse.move(x,y); await page.mouse.down()
  await report('drag', 100, async()=>{ for (let i=0;i<100;i++){ await page.mouse.move(x+6*Math.sin(i/5), y+6*Math.cos(i/5)); await page.waitForTimeout(20)} })
 }
} finally { await browser.close(); await s.stop(); await c.stop() }
