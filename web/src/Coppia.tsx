import { BrowserRouter, Navigate, Route, Routes } from 'react-router'
import { Learner, Teacher } from './screens'
import { ToastHost } from './ui/Toast'

/** Every address with what is there. */
export function Coppia() {
  return (
    // Not as transitions: of two quick key presses the second must start from where the first has led.
    <BrowserRouter useTransitions={false}>
      <ToastHost>
        <Routes>
          <Route element={<Teacher.Shell />}>
            <Route path="/" element={<Navigate to="/week" replace />} />
            <Route path="/week" element={<Teacher.Week />} />
            <Route path="/tunes" element={<Teacher.Tunes />} />
            <Route path="/tunes/:id" element={<Teacher.Stand />} />
            <Route path="/write" element={<Teacher.WriteNew />} />
            <Route path="/tunes/:id/write" element={<Teacher.MendTune />} />
            <Route path="/shapes" element={<Teacher.Shapes />} />
            <Route path="/exercises" element={<Teacher.Bench />} />
            <Route path="/exercises/answer" element={<Teacher.AnswerSheet />} />
            <Route path="/exercises/:id" element={<Teacher.Bench />} />
            <Route path="/desk" element={<Teacher.Tasks />} />
            <Route path="/desk/new" element={<Teacher.Task />} />
            <Route path="/desk/:id" element={<Teacher.Task />} />
            <Route path="/desk/:id/try" element={<Teacher.TryTask />} />
            <Route path="/cards" element={<Teacher.Cards />} />
            <Route path="/classes" element={<Teacher.Classes />} />
            <Route path="/classes/:id" element={<Teacher.Class />} />
            <Route path="/classes/:id/plan" element={<Teacher.Plan />} />
            <Route path="/classes/:id/logbook" element={<Teacher.Logbook />} />
            <Route path="/classes/:id/learners/:learner" element={<Teacher.LearnerLog />} />
            <Route path="/classes/:id/pieces" element={<Teacher.Pieces />} />
            <Route path="/classes/:id/pieces/:piece" element={<Teacher.Piece />} />
            <Route path="/classes/:id/booklet" element={<Teacher.Booklet />} />
            <Route path="/lesson" element={<Teacher.Lessons />} />
            <Route path="/lesson/:class/:id" element={<Teacher.Lesson />} />
            <Route path="/tuning" element={<Teacher.Tuning />} />
            <Route path="/taping" element={<Teacher.Taping />} />
            <Route path="/style" element={<Teacher.Style />} />
            <Route path="/keeping" element={<Teacher.Keeping />} />
            <Route path="*" element={<Navigate to="/week" replace />} />
          </Route>
          <Route path="/learn" element={<Learner.Left />} />
          <Route path="/learn/:link" element={<Learner.Frame />}>
            <Route index element={<Learner.Week />} />
            <Route path="tunes/:tune" element={<Learner.Tune />} />
            <Route path="tunes/:tune/ladders" element={<Learner.Ladders />} />
            <Route path="cards" element={<Learner.Cards />} />
            <Route path="sheets/:sheet" element={<Learner.Sheet />} />
            <Route path="desk/:work" element={<Learner.Desk />} />
            <Route path="pieces/:piece" element={<Learner.Piece />} />
            <Route path="*" element={<Learner.Week />} />
          </Route>
          <Route element={<Teacher.Bare />}>
            <Route path="/lesson/:class/:id/print" element={<Teacher.LessonPrint />} />
            <Route path="/lesson/:class/:id/missed" element={<Teacher.MissedPrint />} />
            <Route path="/classes/:id/links" element={<Teacher.LinkCards />} />
            <Route path="/classes/:id/week" element={<Teacher.WeekPrint />} />
            <Route path="/classes/:id/booklet/print" element={<Teacher.BookletPrint />} />
            <Route path="/desk/:id/sheet" element={<Teacher.TaskSheet />} />
            <Route path="/shapes/all" element={<Teacher.AllShapes />} />
            <Route path="/exercises/print" element={<Teacher.SheetPrint />} />
            <Route path="/tunes/:id/print" element={<Teacher.Print />} />
            <Route path="/tunes/:id/ladders" element={<Teacher.LaddersPrint />} />
            <Route path="/tunes/:id/calls" element={<Teacher.CallPrint />} />
            <Route path="/tunes/:id/caller" element={<Teacher.Caller />} />
          </Route>
        </Routes>
      </ToastHost>
    </BrowserRouter>
  )
}
