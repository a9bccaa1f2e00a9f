// Goes to an address of Coppia's as a link does; false where the page is not Coppia's, or is there already.
const [address, path, done] = arguments
const root = document.getElementById('root')
const container = root && root[Object.keys(root).find((key) => key.startsWith('__reactContainer$'))]

const go = async (to, how) => {
  history[how]({ idx: null }, '', to)
  dispatchEvent(new PopStateEvent('popstate', { state: history.state }))
  await new Promise((drawn) => setTimeout(drawn))
}

const queries = () => {
  for (let at = container.stateNode.current; at; at = at.child)
    if (at.memoizedProps?.client) return at.memoizedProps.client
}

const leave = async () => {
  for (const slip of document.querySelectorAll('[role=status] [aria-label="Put this message away"]')) slip.click()
  // A page that shows little: the one before ends, as the next would not where both are one screen.
  const isElsewhere = (quiet) => !location.pathname.startsWith(quiet) && !path.startsWith(quiet)
  await go(['/keeping', '/taping'].find(isElsewhere) ?? '/style', 'pushState')
  // What is kept on this machine is read again, as after a page was gone back to.
  dispatchEvent(new PageTransitionEvent('pageshow', { persisted: true }))
  queries().removeQueries({ type: 'inactive' })
  queries().resetQueries()
}

const at = new URL(path, address)
if (location.origin !== at.origin || location.pathname === at.pathname || !container || !queries()) done(false)
else
  leave()
    .then(() => go(path, 'replaceState'))
    .then(() => {
      scrollTo(0, 0)
      done(true)
    })
    .catch(() => done(false))
