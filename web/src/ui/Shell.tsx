import { NavLink, Outlet } from 'react-router'
import { ToastHost } from './Toast'

const MENU = [
  { to: '/tunes', label: 'Tunes' },
  { to: '/shapes', label: 'Shapes' },
  { to: '/taping', label: 'Taping sheet' },
  { to: '/style', label: 'House style' },
]

export function Shell() {
  return (
    <ToastHost>
      <div className="flex h-dvh flex-col print:block print:h-auto">
        <header className="no-print flex h-12 shrink-0 items-center gap-8 border-b border-line px-6">
          <NavLink to="/tunes" className="flex items-center gap-2 font-head text-xl font-semibold tracking-tight">
            <img src="/coppia.svg" alt="" className="size-6" />
            Coppia
          </NavLink>
          <nav aria-label="Main" className="flex gap-6">
            {MENU.map((item) => (
              <NavLink
                key={item.to}
                to={item.to}
                className={({ isActive }) =>
                  `border-b-2 py-2.5 font-bold ${isActive ? 'border-maple text-ink' : 'border-transparent text-soft hover:text-ink'}`
                }
              >
                {item.label}
              </NavLink>
            ))}
          </nav>
        </header>
        <Outlet />
      </div>
    </ToastHost>
  )
}
