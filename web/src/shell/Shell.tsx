import { ChevronDown, Menu } from 'lucide-react'
import { useState } from 'react'
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { ClassChoice } from '../register/ClassChoice'
import { KeptText } from '../tunes'
import { Door } from '../signin'
import { NoAnswer } from './NoAnswer'
import { Bar } from '../ui/bar'
import { Fold } from '../ui/Fold'
import { Mishaps } from '../ui/Mishap'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { useToast } from '../ui/toasts'
import { useFileDrop } from '../ui/useFileDrop'
import { useSmall } from '../ui/useSmall'

/** In the order of the work. */
const MENU = [
  { to: '/week', label: 'This week' },
  { to: '/tunes', label: 'Tunes' },
  { to: '/shapes', label: 'Shapes' },
  { to: '/exercises', label: 'Exercises' },
  { to: '/desk', label: 'Writing desk' },
  { to: '/cards', label: 'Cards' },
  { to: '/classes', label: 'Class' },
  { to: '/lesson', label: 'Lesson' },
]

/** Things of the room, apart from the work. */
const ROOM = [
  { to: '/tuning', label: 'Tuning' },
  { to: '/taping', label: 'Taping sheet' },
  { to: '/style', label: 'House style' },
  { to: '/keeping', label: 'Safekeeping' },
]

export function Shell() {
  const small = useSmall()
  const { pathname } = useLocation()
  const [bar, setBar] = useState<HTMLElement | null>(null)
  const toast = useToast()
  const navigate = useNavigate()
  // Tunes takes files by itself.
  useFileDrop(() => {
    if (pathname !== '/tunes')
      toast({
        text: 'A tune is added on the Tunes page: drop the file there.',
        action: { label: 'To the tunes', run: () => void navigate('/tunes') },
      })
  })
  return (
    <Door>
      <div className="flex h-dvh flex-col print:block print:h-auto">
        {small ? (
          <header className="no-print relative flex h-12 shrink-0 items-center gap-1 border-b border-line px-1">
            {/* It folds when it has led somewhere. */}
            <Fold
              key={pathname}
              label="Menu"
              button={
                <>
                  <Menu size={20} /> <img src="/coppia.svg" alt="" className="size-6" />
                </>
              }
            >
              <nav aria-label="Main" className="flex w-full flex-col">
                {[...MENU, ...ROOM].map((item) => (
                  <NavLink
                    key={item.to}
                    to={item.to}
                    className={({ isActive }) =>
                      `flex min-h-11 items-center border-l-4 pl-3 text-lg font-bold ${isActive ? 'border-maple' : 'border-transparent text-soft'}`
                    }
                  >
                    {item.label}
                  </NavLink>
                ))}
              </nav>
              <ClassChoice />
            </Fold>
            {/* The screen’s own tools. */}
            <div ref={setBar} className="flex min-w-0 flex-1 items-center gap-1" />
          </header>
        ) : (
          <header className="no-print flex h-12 shrink-0 items-center gap-3 border-b border-line px-3 lg:gap-8 lg:px-8">
            <NavLink
              to="/week"
              className="flex shrink-0 items-center gap-2 font-head text-xl font-semibold tracking-tight"
            >
              <img src="/coppia.svg" alt="" className="size-6" />
              <span className="max-lg:sr-only">Coppia</span>
            </NavLink>
            <nav aria-label="Main" className="flex gap-2.5 whitespace-nowrap max-lg:text-fine lg:gap-6">
              {MENU.map((item) => (
                <Way key={item.to} {...item} />
              ))}
              {/* Only a wide window has room for all of them. */}
              <span className="contents max-[1519px]:hidden">
                {ROOM.map((item) => (
                  <Way key={item.to} {...item} />
                ))}
              </span>
              <span className="flex items-center min-[1520px]:hidden">
                <MoreMenu
                  button={
                    <>
                      Room <ChevronDown size={15} />
                    </>
                  }
                >
                  {ROOM.map((item) => (
                    <MoreItem key={item.to} current={pathname === item.to} onClick={() => void navigate(item.to)}>
                      {item.label}
                    </MoreItem>
                  ))}
                </MoreMenu>
              </span>
            </nav>
            <span className="ml-auto min-w-0 max-lg:text-fine">
              <ClassChoice />
            </span>
          </header>
        )}
        <Bar value={small ? bar : undefined}>
          <NoAnswer />
          <Mishaps address={pathname} text={<KeptText />}>
            <Outlet />
          </Mishaps>
        </Bar>
      </div>
    </Door>
  )
}

function Way({ to, label }: { to: string; label: string }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `border-b-2 py-2.5 font-bold ${isActive ? 'border-maple text-ink' : 'border-transparent text-soft hover:text-ink'}`
      }
    >
      {label}
    </NavLink>
  )
}

/** Pages to print stand alone. */
export function Bare() {
  return (
    <Door>
      <NoAnswer />
      <Mishaps address={useLocation().pathname} text={<KeptText />}>
        <Outlet />
      </Mishaps>
    </Door>
  )
}
