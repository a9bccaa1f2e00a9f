// How fast pages are to whoever waits for them, against those of another build, both at work in demos of their own:
//   node bench/pages.mjs http://localhost:4711 http://localhost:4712 [TURNS]
// Prints for each measure the mean of both, its standard error, and the ratio. Needs Debian's chromium and chromedriver.
import { spawn } from 'node:child_process'

const [here, baseline, turns = '9'] = process.argv.slice(2)
if (!here || !baseline) {
  console.error('expected two addresses: of this build, and of the one that it is measured against')
  process.exit(2)
}
const PORT = 9517
const WAIT_MS = 50

/** A browser that has seen nothing yet, by WebDriver (W3C) and Chromium's own protocol. */
async function browser(width, height, look) {
  const driver = spawn('chromedriver', [`--port=${PORT}`], { stdio: 'ignore' })
  const send = async (method, path, body) => {
    const answer = await fetch(`http://127.0.0.1:${PORT}${path}`, { method, body: body && JSON.stringify(body) })
    const { value } = await answer.json()
    if (value?.error) throw new Error(value.message)
    return value
  }
  try {
    for (let tries = 0; tries < 100; tries++)
      if (await send('GET', '/status').catch(() => null)) break
      else await new Promise((done) => setTimeout(done, WAIT_MS))
    const args = ['--headless', '--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required']
    const { sessionId } = await send('POST', '/session', {
      capabilities: { alwaysMatch: { 'goog:chromeOptions': { args } } },
    })
    const at = `/session/${sessionId}`
    const page = {
      tell: (cmd, params = {}) => send('POST', `${at}/goog/cdp/execute`, { cmd, params }),
      go: (url) => send('POST', `${at}/url`, { url }),
      when: (script) => send('POST', `${at}/execute/async`, { script, args: [] }),
    }
    await send('POST', `${at}/timeouts`, { script: 60_000 })
    await page.tell('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false })
    try {
      return await look(page)
    } finally {
      await send('DELETE', at)
    }
  } finally {
    driver.kill()
  }
}

/** A learner's own page. */
async function learnersPage(address) {
  const links = `${address}/api/classes/1/links`
  const headers = { 'content-type': 'application/json' }
  await fetch(links, { method: 'POST', headers, body: JSON.stringify({ learners: [1] }) })
  const all = await (await fetch(links)).json()
  return address + new URL(all.find((l) => l.address).address).pathname
}

/** A phone four times as slow as this machine, at 1.6 Mbit/s and 150 ms, which was never here. */
const cold = (until) => async (address) => {
  const url = await learnersPage(address)
  return browser(390, 844, async (page) => {
    await page.go('about:blank')
    await page.tell('Network.enable')
    const throughput = { downloadThroughput: 200_000, uploadThroughput: 90_000 }
    await page.tell('Network.emulateNetworkConditions', { offline: false, latency: 150, ...throughput })
    await page.tell('Emulation.setCPUThrottlingRate', { rate: 4 })
    await page.go(url)
    return page.when(`
      const [done] = arguments
      const look = () => {
        const ms = ${until}
        if (ms) done(ms)
        else setTimeout(look, 10)
      }
      look()`)
  })
}

/** From the press to when a tune of sixteen bars begins to sound, all being there and the count-in off. */
const firstNote = (address) =>
  browser(1280, 800, async (page) => {
    await page.go(`${address}/tunes/2?for=violin`)
    return page.when(`
      const [done] = arguments
      const find = (tag, words) => [...document.querySelectorAll(tag)].find((e) => e.textContent.trim() === words)
      const later = (ms) => new Promise((then) => setTimeout(then, ms))
      const begin = async () => {
        while (document.querySelectorAll('.engraved g.note').length < 40) await later(50)
        find('label', 'Count-in').click()
        await later(3000)
        const real = OscillatorNode.prototype.start
        OscillatorNode.prototype.start = function (when) {
          done(performance.now() - pressed + 1000 * (when - this.context.currentTime))
          OscillatorNode.prototype.start = real
          real.call(this, when)
        }
        const pressed = performance.now()
        find('button', 'Hear it').click()
      }
      begin()`)
  })

const MEASURES = {
  'first paint of a learner’s page on a cold phone': cold(
    "performance.getEntriesByName('first-contentful-paint')[0]?.startTime",
  ),
  'a learner’s week on a cold phone': cold("document.body.innerText.includes('Hello') && performance.now()"),
  'from the press to the first note': firstNote,
}

const mean = (all) => all.reduce((sum, one) => sum + one, 0) / all.length
const error = (all) => Math.sqrt(all.reduce((s, one) => s + (one - mean(all)) ** 2, 0) / (all.length - 1) / all.length)

for (const [name, measure] of Object.entries(MEASURES)) {
  const [mine, theirs] = [[], []]
  for (let turn = 0; turn < Number(turns); turn++) {
    // By turns, so that a machine that slows down slows both.
    const order = [
      [mine, here],
      [theirs, baseline],
    ]
    for (const [times, address] of turn % 2 ? order.reverse() : order) times.push(await measure(address))
  }
  const told = (all) => `${mean(all).toFixed(0)} ± ${error(all).toFixed(0)} ms`
  console.log(`${name}: ${told(mine)}, baseline ${told(theirs)}, ratio ${(mean(mine) / mean(theirs)).toFixed(2)}`)
}
