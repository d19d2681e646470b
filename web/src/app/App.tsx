import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { Link, Navigate, Route, Routes, useLocation } from 'react-router';
import { asksFor } from '../api/client';
import { isLost } from '../api/lost';
import { useSession } from '../api/session';
import { SignInPage } from '../features/school/people/SignInPage';
import { NamesProvider } from '../lib/names';
import { outbox } from '../lib/outbox/outbox';
import { PicksProvider } from '../lib/picks';
import { ScopeContext, useScopeFromAddress } from '../lib/scope';
import { Failed, Loading } from '../ui/States';
import { NotFound } from './NotFound';
import { useScopeChoices } from './queries';
import { Shell } from './Shell';
import { SignInAgain } from './SignInAgain';
import { Trouble } from './Trouble';

// Seen once by each person, or by nobody.
const StepWanted = lazy(() => import('./StepWanted').then((m) => ({ default: m.StepWanted })));
const Join = lazy(() => import('../features/school/people/JoinPage').then((m) => ({ default: m.JoinPage })));
const Setup = lazy(() => import('../features/school/people/SetupPage').then((m) => ({ default: m.SetupPage })));
const Desk = lazy(() => import('../features/overview/desk/DeskPage'));
const Ladder = lazy(() => import('../features/screening/ladder/LadderPage'));
const Trends = lazy(() => import('../features/monitoring/trends/TrendsPage'));
const Strip = lazy(() => import('../features/monitoring/strip/StripPage'));
const Plans = lazy(() => import('../features/monitoring/plans/PlansPage'));
const Reading = lazy(() => import('../features/learning/reading/ReadingPage'));
const SkillsClass = lazy(() => import('../features/learning/skills/ClassPage'));
const SkillsStudents = lazy(() => import('../features/learning/skills/StudentsPage'));
const SkillsProfiles = lazy(() => import('../features/learning/skills/ProfilesPage'));
const SkillsItems = lazy(() => import('../features/learning/skills/ItemsPage'));
const Checks = lazy(() => import('../features/learning/checks/ChecksPage'));
const BuildCheck = lazy(() => import('../features/learning/checks/BuildPage'));
const GivenCheck = lazy(() => import('../features/learning/checks/GivenPage'));
const StudentPages = lazy(() => import('../features/learning/checks/PagesPage'));
const Cards = lazy(() => import('../features/learning/checks/CardsPage'));
const PrintCheck = lazy(() => import('../features/learning/checks/PrintPage'));
const Bank = lazy(() => import('../features/learning/checks/BankPage'));
const SkillsSetup = lazy(() => import('../features/learning/frameworks/SkillsSetupPage'));
const Board = lazy(() => import('../features/learning/groups/BoardPage'));
const KeptGroups = lazy(() => import('../features/learning/groups/KeptPage'));
const Worked = lazy(() => import('../features/learning/groups/WorkedPage'));
const Meeting = lazy(() => import('../features/monitoring/meeting/MeetingPage'));
const Student = lazy(() => import('../features/overview/students/StudentView'));
const Coverage = lazy(() => import('../features/screening/coverage/CoveragePage'));
const EntryGrid = lazy(() => import('../features/screening/entry/EntryPage'));
const Tiers = lazy(() => import('../features/screening/tiers/TiersPage'));
const Table = lazy(() => import('../features/screening/table/TablePage'));
const Report = lazy(() => import('../features/overview/report/ReportPage'));
const Norms = lazy(() => import('../features/screening/norms/NormsPage'));
const Cuts = lazy(() => import('../features/screening/cuts/CutsPage'));
const Windows = lazy(() => import('../features/measures/measures/WindowsPage'));
const Measures = lazy(() => import('../features/measures/measures/MeasuresPage'));
const History = lazy(() => import('../features/exchange/history/HistoryPage'));
const People = lazy(() => import('../features/school/people/PeoplePage'));
const Calendar = lazy(() => import('../features/school/calendar/CalendarPage'));
const Groupings = lazy(() => import('../features/school/groupings/GroupingsPage'));
const Classes = lazy(() => import('../features/school/classes/ClassesPage'));
const NextYear = lazy(() => import('../features/overview/nextyear/NextYearPage'));
const Start = lazy(() => import('../features/overview/start/StartPage'));
const Contacts = lazy(() => import('../features/contacts/contacts/ContactsPage'));
const Weeks = lazy(() => import('../features/engagement/weeks/WeeksPage'));
const Habits = lazy(() => import('../features/engagement/habits/HabitsPage'));
const Effort = lazy(() => import('../features/engagement/effort/EffortPage'));
const Attendance = lazy(() => import('../features/engagement/attendance/AttendancePage'));
const Work = lazy(() => import('../features/engagement/work/WorkPage'));
const Rules = lazy(() => import('../features/engagement/rules/RulesPage'));
const Marks = lazy(() => import('../features/engagement/marks/MarksPage'));
const Senders = lazy(() => import('../features/engagement/senders/SendersPage'));
const Texts = lazy(() => import('../features/contacts/texts/TextsPage'));
const Find = lazy(() => import('../features/overview/find/FindPage'));
const Lists = lazy(() => import('../features/overview/find/ListsPage'));
const Reports = lazy(() => import('../features/overview/reports/ReportsPage'));
const Compare = lazy(() => import('../features/overview/compare/ComparePage'));
const Records = lazy(() => import('../features/exchange/records/RecordsPage'));

/** Views of students, which need a scope. */
const SCOPED = {
  '/desk': Desk,
  '/coverage': Coverage,
  '/entry': EntryGrid,
  '/table': Table,
  '/tiers': Tiers,
  '/report': Report,
  '/setup/norms': Norms,
  '/ladder': Ladder,
  '/trends': Trends,
  '/strip': Strip,
  '/plans': Plans,
  '/meeting': Meeting,
  '/reading': Reading,
  '/skills': SkillsClass,
  '/groups': Board,
  '/groups/kept': KeptGroups,
  '/groups/worked': Worked,
  '/skills/students': SkillsStudents,
  '/skills/profiles': SkillsProfiles,
  '/skills/items': SkillsItems,
  '/skills/checks': Checks,
  '/skills/checks/build': BuildCheck,
  '/skills/given/:id': GivenCheck,
  '/skills/pages': StudentPages,
  '/skills/cards': Cards,
  '/skills/print': PrintCheck,
  '/skills/bank': Bank,
  '/setup/skills': SkillsSetup,
  '/contacts': Contacts,
  '/engagement': Weeks,
  '/engagement/habits': Habits,
  '/engagement/effort': Effort,
  '/engagement/attendance': Attendance,
  '/engagement/work': Work,
  '/find': Find,
  '/find/lists': Lists,
  '/compare': Compare,
  '/reports': Reports,
  '/students/:id': Student,
  '/setup/cuts': Cuts,
  '/setup/windows': Windows,
  '/setup/measures': Measures,
  '/setup/classes': Classes,
  '/setup/calendar': Calendar,
  '/setup/groupings': Groupings,
  '/setup/rules': Rules,
  '/setup/marks': Marks,
  '/setup/texts': Texts,
  '/setup/programs': Senders,
};

export function App() {
  const session = useSession();
  const { pathname } = useLocation();
  const queries = useQueryClient();
  const person = session.data?.person?.id;
  useEffect(() => {
    asksFor(person);
    outbox.onSaved = () => {
      // A list that is being read would come back without what was saved while it was read.
      void queries
        .cancelQueries({ queryKey: ['entry'] })
        .then(() => queries.invalidateQueries({ queryKey: ['entry'] }));
      void queries.invalidateQueries({ queryKey: ['records'] });
    };
    void outbox.signedIn(person);
  }, [person, queries]);
  if (session.isPending) return null;
  if (isLost(session)) {
    return (
      <main className="p-8">
        <Failed error={session.error} again={() => session.refetch()} />
      </main>
    );
  }
  if (pathname === '/setup' || pathname === '/join') {
    return <Suspense fallback={null}>{pathname === '/setup' ? <Setup /> : <Join />}</Suspense>;
  }
  if (!session.data.person) return <SignInPage session={session.data} />;
  if (session.data.secondStepWanted)
    return (
      <Suspense fallback={<Loading label="One moment ..." />}>
        <StepWanted session={session.data} />
      </Suspense>
    );
  return (
    <NamesProvider>
      <PicksProvider>
        <SignedIn role={session.data.person.role} />
        <SignInAgain session={session.data} />
      </PicksProvider>
    </NamesProvider>
  );
}

function SignedIn({ role }: { role: string }) {
  const choices = useScopeChoices(true);
  const state = useScopeFromAddress(choices.data);
  const { pathname } = useLocation();
  if (choices.isPending) return null;
  if (isLost(choices)) {
    return (
      <main className="p-8">
        <Failed error={choices.error} again={() => choices.refetch()} />
      </main>
    );
  }
  // Before the frame is put up: going on from there would close what somebody quick has opened in it.
  if (pathname === '/' || pathname === '/sign-in') {
    return (
      <Navigate to={state ? state.link('/desk') : role === 'administrator' ? '/setup/start' : '/records'} replace />
    );
  }
  return (
    <ScopeContext value={state}>
      <Shell>
        <Trouble>
          <Suspense fallback={<Loading label="Opening the view ..." />}>
            <Routes>
              {Object.entries(SCOPED).map(([path, View]) => (
                <Route key={path} path={path} element={state ? <View /> : <NothingYet role={role} />} />
              ))}
              <Route path="/records" element={<Records />} />
              {role === 'administrator' && <Route path="/records/history" element={<History />} />}
              {role === 'administrator' && <Route path="/records/people" element={<People />} />}
              {role === 'administrator' && <Route path="/setup/start" element={<Start />} />}
              {role === 'administrator' && <Route path="/setup/next-year" element={<NextYear />} />}
              <Route path="*" element={<NotFound />} />
            </Routes>
          </Suspense>
        </Trouble>
      </Shell>
    </ScopeContext>
  );
}

function NothingYet({ role }: { role: string }) {
  return (
    <div className="max-w-xl">
      <h1 className="text-[17px] font-semibold m-0">There are no classes here yet</h1>
      <p className="text-soft">
        {role === 'administrator'
          ? 'Ten minutes with a class list, and the first Ladder stands.'
          : 'Ask your administrator to put you down for your classes; they appear here at once.'}
      </p>
      {role === 'administrator' && (
        <Link to="/setup/start" className="text-act font-semibold">
          Set up the school
        </Link>
      )}
    </div>
  );
}
