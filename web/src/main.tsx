import '@fontsource/atkinson-hyperlegible/400.css'
import '@fontsource/atkinson-hyperlegible/700.css'
import '@fontsource/atkinson-hyperlegible/400-italic.css'
import '@fontsource-variable/fraunces'
import './index.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Navigate, Route, Routes } from 'react-router'
import { Refusal } from './api/client'
import { CardsScreen } from './cards/CardsScreen'
import { askForClass } from './classes/forClass'
import { ClassesScreen } from './classes/ClassesScreen'
import { ClassScreen } from './classes/ClassScreen'
import { LinkCards } from './classes/LinkCards'
import { WeekPrint } from './classes/WeekPrint'
import { PlanScreen } from './classes/PlanScreen'
import { AnswerSheet } from './drills/AnswerSheet'
import { BookletPrint } from './desk/BookletPrint'
import { BookletScreen } from './desk/BookletScreen'
import { PieceStand } from './desk/PieceStand'
import { PiecesScreen } from './desk/PiecesScreen'
import { TaskScreen } from './desk/TaskScreen'
import { TaskSheet } from './desk/TaskSheet'
import { TasksScreen } from './desk/TasksScreen'
import { TryTask } from './desk/TryTask'
import { LaddersPrint } from './ladder/LaddersPrint'
import { LearnCards } from './learn/LearnCards'
import { LearnDesk } from './learn/LearnDesk'
import { LearnLadders } from './learn/LearnLadders'
import { LearnPiece } from './learn/LearnPiece'
import { LearnScreen } from './learn/LearnScreen'
import { LearnSheet } from './learn/LearnSheet'
import { LearnTune } from './learn/LearnTune'
import { LessonPrint } from './lesson/LessonPrint'
import { LessonScreen } from './lesson/LessonScreen'
import { LessonsScreen } from './lesson/LessonsScreen'
import { MissedPrint } from './lesson/MissedPrint'
import { LearnerLogScreen } from './logbook/LearnerLogScreen'
import { LogbookScreen } from './logbook/LogbookScreen'
import { PrintView } from './print/PrintView'
import { AllShapes } from './shapes/AllShapes'
import { KeepingScreen } from './keeping/KeepingScreen'
import { ShapesScreen } from './shapes/ShapesScreen'
import { Stand } from './stand/Stand'
import { StyleScreen } from './style/StyleScreen'
import { TapingScreen } from './taping/TapingScreen'
import { CallPrint } from './together/CallPrint'
import { CallerScreen } from './caller/CallerScreen'
import { TuningScreen } from './tuner/TuningScreen'
import { Tunes } from './tunes/Tunes'
import { MendTune } from './writing/MendTune'
import { WriteNew } from './writing/WriteNew'
import { warmEngraver } from './engraving/engraver'
import { BenchScreen } from './exercises/BenchScreen'
import { SheetPrint } from './exercises/SheetPrint'
import { catchDrops } from './ui/drops'
import { holdFocus } from './ui/focus'
import { Bare, Shell } from './ui/Shell'
import { ToastHost } from './ui/Toast'

/** What was refused stays refused; what failed may do better. */
const retry = (failures: number, problem: Error) =>
  failures < 1 && !(problem instanceof Refusal && problem.status >= 400 && problem.status < 500)

// The server may be this very machine: whether there is a network says nothing about it.
const networkMode = 'always'
const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 10_000, retry, networkMode }, mutations: { networkMode } },
})

const root = document.getElementById('root')
if (!root) throw new Error('The page has no root element.')
holdFocus()
askForClass()
catchDrops()
// The rows under the notes measure their own type; it is there before anything is drawn.
await Promise.allSettled([400, 700].map((weight) => document.fonts.load(`${weight} 16px "Atkinson Hyperlegible"`)))
/** So long nothing that can wait competes with what is first on the screen. */
const FIRST_MS = 1500
const whenIdle = (work: () => void) =>
  setTimeout(() => ('requestIdleCallback' in window ? requestIdleCallback(work, { timeout: 2000 }) : work()), FIRST_MS)

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      {/* Not as transitions: of two quick key presses the second must start from where the first has led. */}
      <BrowserRouter useTransitions={false}>
        <ToastHost>
          <Routes>
            <Route element={<Shell />}>
              <Route path="/" element={<Navigate to="/tunes" replace />} />
              <Route path="/tunes" element={<Tunes />} />
              <Route path="/tunes/:id" element={<Stand />} />
              <Route path="/write" element={<WriteNew />} />
              <Route path="/tunes/:id/write" element={<MendTune />} />
              <Route path="/shapes" element={<ShapesScreen />} />
              <Route path="/exercises" element={<BenchScreen />} />
              <Route path="/exercises/answer" element={<AnswerSheet />} />
              <Route path="/exercises/:id" element={<BenchScreen />} />
              <Route path="/desk" element={<TasksScreen />} />
              <Route path="/desk/new" element={<TaskScreen />} />
              <Route path="/desk/:id" element={<TaskScreen />} />
              <Route path="/desk/:id/try" element={<TryTask />} />
              <Route path="/cards" element={<CardsScreen />} />
              <Route path="/classes" element={<ClassesScreen />} />
              <Route path="/classes/:id" element={<ClassScreen />} />
              <Route path="/classes/:id/plan" element={<PlanScreen />} />
              <Route path="/classes/:id/logbook" element={<LogbookScreen />} />
              <Route path="/classes/:id/learners/:learner" element={<LearnerLogScreen />} />
              <Route path="/classes/:id/pieces" element={<PiecesScreen />} />
              <Route path="/classes/:id/pieces/:piece" element={<PieceStand />} />
              <Route path="/classes/:id/booklet" element={<BookletScreen />} />
              <Route path="/lesson" element={<LessonsScreen />} />
              <Route path="/lesson/:class/:id" element={<LessonScreen />} />
              <Route path="/tuning" element={<TuningScreen />} />
              <Route path="/taping" element={<TapingScreen />} />
              <Route path="/style" element={<StyleScreen />} />
              <Route path="/keeping" element={<KeepingScreen />} />
              <Route path="*" element={<Navigate to="/tunes" replace />} />
            </Route>
            <Route path="/learn/:link" element={<LearnScreen />} />
            <Route path="/learn/:link/tunes/:tune" element={<LearnTune />} />
            <Route path="/learn/:link/tunes/:tune/ladders" element={<LearnLadders />} />
            <Route path="/learn/:link/cards" element={<LearnCards />} />
            <Route path="/learn/:link/sheets/:sheet" element={<LearnSheet />} />
            <Route path="/learn/:link/desk/:work" element={<LearnDesk />} />
            <Route path="/learn/:link/pieces/:piece" element={<LearnPiece />} />
            <Route element={<Bare />}>
              <Route path="/lesson/:class/:id/print" element={<LessonPrint />} />
              <Route path="/lesson/:class/:id/missed" element={<MissedPrint />} />
              <Route path="/classes/:id/links" element={<LinkCards />} />
              <Route path="/classes/:id/week" element={<WeekPrint />} />
              <Route path="/classes/:id/booklet/print" element={<BookletPrint />} />
              <Route path="/desk/:id/sheet" element={<TaskSheet />} />
              <Route path="/shapes/all" element={<AllShapes />} />
              <Route path="/exercises/print" element={<SheetPrint />} />
              <Route path="/tunes/:id/print" element={<PrintView />} />
              <Route path="/tunes/:id/ladders" element={<LaddersPrint />} />
              <Route path="/tunes/:id/calls" element={<CallPrint />} />
              <Route path="/tunes/:id/caller" element={<CallerScreen />} />
            </Route>
          </Routes>
        </ToastHost>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
)

/** Who pays for what is loaded does not want it ahead of need (W3C Save Data). */
const sparesData = (navigator as Navigator & { connection?: { saveData?: boolean } }).connection?.saveData === true
if (!sparesData)
  whenIdle(() => {
    warmEngraver().catch(() => undefined) // whoever needs it will be told
  })
