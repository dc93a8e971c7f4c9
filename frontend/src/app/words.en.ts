/** Every sentence of the interface. Plurals go none | one | more. */
export default {
  app: { name: 'Mint Door', skip: 'Skip to the page', sites: 'Sites', signOut: 'Sign out', dark: 'Dark', light: 'Light', keys: 'Keys' },
  find: {
    label: 'Find or do', placeholder: 'Find a site, or do something', nothing: 'Nothing is called that. Try part of a title or a short code.',
    do: { newSite: 'New site', run: 'Sites I run', in: 'Sites I am in', all: 'All sites', dark: 'Use dark colours', light: 'Use light colours', keys: 'Show the keys', letIn: 'Let people in here', signOut: 'Sign out' }
  },
  keys: {
    title: 'Keys', close: 'Close',
    list: { Space: 'choose who is on the line', '/': 'find or do', i: 'let people in', '↑ ↓': 'through the list', Enter: 'show who is on the line', Esc: 'close what is open', u: 'undo what was just done', '?': 'show or hide these keys' }
  },
  undo: { undo: 'Undo', busy: 'Undoing…', undone: 'Undone: {what}', nothing: 'Nothing was left to undo of it.', dismiss: 'Hide this', will: 'Nothing of it can be undone any more. | One change will be undone. | {n} changes will be undone.', left: '… | One was changed since and is left alone. | {n} were changed since and are left alone.' },
  trouble: {
    silent: 'The server does not answer. Trying again by itself; nothing you typed is lost.',
    unexpected: 'Something went wrong. Try again in a moment.',
    again: 'Try again', back: 'Back to my sites',
    unknown: 'There is nothing at this address', unknownMore: 'Check it for a slip, or find the site from your list.',
    takeTheirs: 'Show what is so now', keepMine: 'Save mine over it'
  },
  signIn: {
    title: 'Come in', login: 'Login name or e-mail', password: 'Password', button: 'Sign in', busy: 'Signing in…',
    again: 'Sign in again to go on', againMore: 'Your session is over. What you were doing goes on once you are signed in.',
    help: 'No password, or forgotten? A tutor of one of your sites or an administrator can give you one.'
  },
  welcome: { title: 'Set your password', more: 'This link works once. Afterwards you sign in as the name you were told.', password: 'New password', hint: '10 characters or more', button: 'Set it and sign in', noToken: 'This link is not complete. Open it as it was printed.' },
  kind: { learner: 'Learner', staff: 'Staff', guardian: 'Guardian', outsider: 'Outsider' },
  level: 'level {n}',
  siteKind: { course: 'Course', ensemble: 'Ensemble', workshop: 'Workshop', studio: 'Studio', club: 'Club', evening: 'Evening' },
  siteState: { draft: 'Draft', open: 'Open', closed: 'Closed' },
  state: { current: 'Current', paused: 'Paused', upcoming: 'Upcoming', waiting: 'Waiting', 'kept-out': 'Kept out', ended: 'Ended', 'taken-out': 'Taken out' },
  sites: {
    run: 'Sites I run', in: 'Sites I am in', all: 'All sites', find: 'Find by title or code', new: 'New site',
    count: 'No sites | One site | {n} sites', loading: 'Fetching sites…', more: 'Show more',
    any: { division: 'any division', term: 'any term', kind: 'any kind', state: 'in any state' }, filterBy: { division: 'Division', term: 'Term', kind: 'Kind', state: 'State' },
    col: { title: 'Site', division: 'Division', term: 'Term', levels: 'Levels', state: 'State', people: 'Learners and seats' },
    levels: '{lowest} to {highest}', allLevels: 'all levels',
    seats: '{held} of {seats}', noLimit: '{held}', full: 'full', staffCount: 'no staff | 1 staff | {n} staff',
    empty: {
      run: 'You do not run a site yet. Make one: it starts as a draft that only you see.',
      runNoMake: 'You do not run a site.',
      in: 'You are in no site yet. Ask your tutor to let you in; it will then be here.',
      all: 'There is no site in your reach yet.', none: 'No site fits. Take a filter away, or type less.'
    },
    enter: 'Go in', look: 'Look in', canEnter: 'You can enter.', canLook: 'You can look, but not work here.'
  },
  site: {
    roster: 'Roster', rehearsal: 'Rehearsal', logbook: 'Logbook', settings: 'Settings', seats: 'Seats', unlimited: 'no learners | 1 learner, no seat limit | {n} learners, no seat limit',
    open: 'Open the site', close: 'Close the site', openAgain: 'Open it again', levels: 'levels {lowest} to {highest}', goIn: 'Go in',
    willOpen: 'Learners can enter at once. {n} are let in. | Learners can enter at once. One is let in. | Learners can enter at once. {n} are let in.',
    willClose: 'Learners can no longer work here; those whose role may, can still read.',
    willOpenOn: 'Until then learners see its title and the day.', willCloseOn: 'Learners can work here to the end of that day.', onDay: 'On', afterDay: 'After', closes: 'closes after {day}', stayDraft: 'Do not open by itself',
    planned: { open: '{title} opens on {day}.', closed: '{title} closes after {day}.' },
    sure: { open: 'Open it now', close: 'Close it now', openOn: 'Open it on that day', closeOn: 'Close it after that day', no: 'Not now' },
    did: { open: '{title} is open.', closed: '{title} is closed.', draft: '{title} is a draft again.', changed: '{title} was changed.', made: '{title} is made. It is a draft; you are its lead.' },
    opens: 'opens {day}', asAdmin: 'You see this site as an administrator.'
  },
  form: {
    new: 'New site', newMore: 'It starts as a draft that only its staff see, with you as lead tutor.', edit: 'Settings of {title}',
    title: 'Title', code: 'Short code', codeHint: 'Letters, digits, dots and hyphens, such as HET-2', kind: 'Kind', division: 'Division', term: 'Term',
    lowest: 'From level', highest: 'to level', levelsHint: 'Leave both empty for all levels', seats: 'Seats', seatsHint: 'How many learners fit; empty for no limit',
    make: 'Make the site', save: 'Save', busy: 'Saving…', cancel: 'Never mind', choose: 'Choose…'
  },
  roster: {
    count: { learners: 'no learners | 1 learner | {n} learners', staff: 'no staff | 1 staff | {n} staff', others: 'no others | 1 other | {n} others', unlisted: 'none unlisted | 1 unlisted | {n} unlisted' },
    show: 'show', hide: 'hide', find: 'Filter by name or number', shown: 'none shown | 1 shown | {n} shown',
    col: { name: 'Name', kind: 'Kind', level: 'Level', division: 'Division', number: 'Number', role: 'Role', state: 'State', since: 'Since', seen: 'Last seen' },
    sortBy: 'Sort by {what}', inState: 'who are',
    states: { here: 'here', current: 'current', paused: 'paused', upcoming: 'upcoming', waiting: 'waiting', 'kept-out': 'kept out', ended: 'ended', 'taken-out': 'taken out' },
    every: 'in every role', only: 'in the role {role}', clear: 'Show all again',
    empty: 'Nobody is here yet. Let the first people in: type a name, a number or an e-mail above.', none: 'Nobody here fits. Change the words above, or show all again.',
    on: 'on', asOf: 'The roster as it stands at the end of {day}. What you change is changed from now on.', now: 'Back to now', never: 'never', unlistedMark: 'unlisted', loading: 'Fetching the roster…', list: 'Roster', bringOf: 'of {title}'
  },
  further: {
    add: 'Narrow it further', and: 'and…', drop: '(leave this out)', other: '{what}: {value}',
    about: { section: 'section', level: 'level', division: 'division', door: 'way in', seen: 'last seen', ends: 'ending soon', joined: 'newly come' },
    section: 'in section {name}', level: 'at level {n}', division: 'of {name}', never: 'never seen here', seen: 'not seen for {n} days', ends: 'ending within {n} days', joined: 'come within {n} days',
    door: { desk: 'let in at the desk', key: 'come with a key', invitation: 'come by invitation', cohort: 'brought by a cohort', feed: 'brought by a feed', 'look-in': 'looking in' }
  },
  rehearsal: {
    title: 'Rehearse the first day', more: 'Everybody who is expected is looked at as they will be at that moment, before they stand at the door.', on: 'On', at: 'at',
    sum: '{when}: {n} of {of} could enter.', look: '… | One could only look, as their role has it. | {n} could only look, as their role has it.', nobody: 'Nobody is expected then.', others: 'and {n} more',
    cause: {
      upcoming: '… | One would not have started yet | {n} would not have started yet', waiting: '… | One would not have answered | {n} would not have answered', paused: '… | One would be paused | {n} would be paused',
      'account-closed': '… | One has a closed account | {n} have a closed account', draft: '… | For one the site would still be a draft | For {n} the site would still be a draft', closed: '… | For one the site would be closed | For {n} the site would be closed',
      'kept-out': '… | One would be kept out | {n} would be kept out', 'reads-closed': '… | For one the site would be closed; they could still read | For {n} the site would be closed; they could still read',
      'never-here': '… | One was never let in | {n} were never let in', ended: '… | For one the time would be over | For {n} the time would be over', 'taken-out': '… | One would be taken out | {n} would be taken out', 'let-in': '… | One | {n}', 'prepares-draft': '… | One | {n}'
    }
  },
  away: {
    open: 'Take it away', title: 'Take these rows away', columns: 'Columns', copy: 'Copy', print: 'Print', csv: 'CSV file', copied: 'Copied 1 row. | Copied one row. | Copied {n} rows.', saved: 'Saved {n} rows as {file}.', busy: 'Fetching all rows… {n}', close: 'Close'
  },
  intake: {
    label: 'Let people in', placeholder: 'Name, number, login or e-mail', hint: 'Finds who is here and who is not.',
    alreadyHere: 'Already here', wasHere: 'Was here', keptOut: 'Kept out', canBeLetIn: 'Can be let in', more: 'There are more. Type a little more of the name.',
    nobody: 'Nobody by that name, number or e-mail is in your reach. Try part of the name, or the number in full.',
    short: 'Type two characters or more.', searching: 'Looking…', show: 'Show', letInAs: 'Let in as {role}', letIn: 'Let in…', bringBack: 'Bring back as {role}', another: 'Other role or dates', close: 'Close',
    hereAs: '{role} since {day}', until: '{role} until {day}', upcoming: '{role} from {day}', keptOutUntil: 'until {day}', keptOutOpen: 'with no end', masked: 'outside your divisions',
    found: 'nobody found | 1 person found | {n} people found', from: 'From', untilDay: 'until and including', fromHint: 'empty: now', untilHint: 'empty: the end of the site', chooseRole: 'As which role?', noRole: 'There is no role that you may give them here.'
  },
  did: {
    'let-in': '{name} is let in as {role}.', 'change-role': '{name} is now {role}.', 'take-out': '{name} is taken out.', 'bring-back': '{name} is back as {role}.', pause: '{name}: {outlook}', resume: '{name} is no longer paused.', 'change-dates': '{name}: {outlook}', 'keep-out': '{name} is kept out.', 'lift-keep-out': '{name} is no longer kept out.', 'lift-role': 'The role by hand of {name} is lifted: {role}.', 'lift-dates': 'The dates by hand of {name} are lifted.', nothing: 'Nothing to do: {name} is that already.'
  },
  card: {
    close: 'Close', since: 'here since {day}', came: 'came {day}', lastSeen: 'last seen {day}', neverSeen: 'never seen here', changeRole: 'Change role', takeOut: 'Take out', bringBack: 'Bring back as {role}', leave: 'Leave this site', 
    ways: 'One way in | One way in | {n} ways in', by: 'by {name}', never: 'Not now', chooseRole: 'Which role instead?', was: 'was {role}', formerly: 'formerly {name}',
    changeDates: 'Change dates', pause: 'Pause', resume: 'Resume', keepOut: 'Keep out', liftKeepOut: 'Lift the keep-out', lift: 'Lift', byHandTitle: 'By hand', next: 'Next change on {day}.', bringsBack: 'Keep them out too?',
    hand: { role: 'Role {role} in place of what the ways in give', dates: 'Dates{from}{until} in place of those of the ways in', paused: 'Paused{from}{until}', 'kept-out': 'Kept out{from}{until}' }, handFrom: ' from {day}', handOpen: ' with no end',
    ask: {
      from: 'From', fromNow: 'empty: now', fromKeep: 'empty: as it is', until: 'Until and including', untilOpen: 'empty: with no end', note: 'Why (only for those who let people in)', days: 'days from today',
      length: 'How long', lengths: { day: 'until a day', days: 'for some days', term: 'to the end of {term}', open: 'to the end of the site' },
      sure: { pause: 'Pause {name}', 'change-dates': 'Set these dates', 'keep-out': 'Keep {name} out', 'take-out': 'Take {name} out' }, computing: 'Working out what follows…'
    },
    phase: { 'in-force': 'in force', upcoming: 'from {from}', waiting: 'not answered yet', ended: 'ended {until}', 'taken-out': 'taken out {until}' }, untilDay: 'until {until}', open: 'to the end of the site', section: 'section {name}'
  },
  door: { desk: 'at the desk', key: 'with the {name}', invitation: 'by {name}', cohort: 'by the cohort {name}', feed: 'by the feed {name}', 'look-in': 'by {name}', plain: { desk: 'Desk', key: 'Key', invitation: 'Invitation', cohort: 'Cohort', feed: 'Feed', 'look-in': 'Look-in' } },
  reason: {
    staff: {
      'let-in': 'Can enter as {role}{until}{door}.', 'let-in-look': 'Can look as {role}, but not work here{until}{door}.', 'prepares-draft': 'Can enter as {role} and prepare: the site is a draft.', 'reads-closed': 'Can look as {role}: the site is closed.',
      'kept-out': 'Cannot enter: kept out{until}.', 'account-closed': 'Cannot enter: the account is closed since {at}.', 'never-here': 'Has never been let in here.', 'taken-out': 'Cannot enter: taken out on {at}.', ended: 'Cannot enter: the time here ended on {at}.',
      waiting: 'Cannot enter yet: the invitation is not answered.', upcoming: 'Cannot enter yet: starts on {from}.', paused: 'Cannot enter: paused{until}.', draft: 'Cannot enter yet: the site is a draft{opens}.', closed: 'Cannot enter: the site closed on {at}.'
    },
    you: {
      'let-in': 'You can enter{until}.', 'let-in-look': 'You can look, but not work here{until}.', 'prepares-draft': 'You can enter and prepare: it is a draft.', 'reads-closed': 'This site is closed. You can still read.',
      'kept-out': 'You cannot enter. Ask the leads of this site.', 'account-closed': 'Your account is closed.', 'never-here': 'You have not been let in.', 'taken-out': 'You were taken out on {at}. Ask your tutor if that is a mistake.', ended: 'Your time here ended on {at}.',
      waiting: 'Your invitation waits for your answer.', upcoming: 'You can enter from {from}.', paused: 'You are paused{until}. Your tutor can tell you more.', draft: 'Not open yet{opens}.', closed: 'This site closed on {at}.'
    },
    until: ' until {day}', opens: '; it opens on {day}', byDoor: ', {door}', also: 'Also: {what}'
  },
  outlook: { as: '{then}{state} as {role}{until}', bare: '{then}{state}{until}', then: 'then ', open: ' to the end of the site', none: 'Not in this site.' },
  sheet: {
    title: { pause: '… | Pause one person | Pause {n} people', resume: '… | Resume one person | Resume {n} people', 'change-dates': '… | Change the dates of one person | Change the dates of {n} people', 'change-role': '… | Change the role of one person | Change the role of {n} people', 'take-out': '… | Take one person out | Take {n} people out', 'keep-out': '… | Keep one person out | Keep {n} people out' },
    apply: { pause: 'Pause nobody | Pause one | Pause {n}', resume: 'Resume nobody | Resume one | Resume {n}', 'change-dates': 'Change nothing | Set the dates of one | Set the dates of {n}', 'change-role': 'Change nothing | Change the role of one | Change the role of {n}', 'take-out': 'Take nobody out | Take one out | Take {n} out', 'keep-out': 'Keep nobody out | Keep one out | Keep {n} out' },
    did: { pause: 'Nobody was paused. | One person is paused. | {n} people are paused.', resume: 'Nobody was resumed. | One person is no longer paused. | {n} people are no longer paused.', 'change-dates': 'No dates were changed. | The dates of one person are changed. | The dates of {n} people are changed.', 'change-role': 'No role was changed. | One person has another role. | {n} people have another role.', 'take-out': 'Nobody was taken out. | One person is taken out. | {n} people are taken out.', 'keep-out': 'Nobody was kept out. | One person is kept out. | {n} people are kept out.' },
    ready: 'Nobody will change | One will change | {n} will change', cannot: '… | ; one cannot | ; {n} cannot', nothing: '… | One is so already. | {n} are so already.',
    leftOut: '… | One was left out. | {n} were left out.', many: 'This takes out {people} of the {here} people here. Type {people} to go on:',
    verdict: { ready: 'will', refused: 'cannot', 'waits-for-seat': 'no seat' },
    words: { 'change-role': 'change role', 'change-dates': 'change dates', pause: 'pause', resume: 'resume', 'take-out': 'take out' },
    chosen: 'nobody chosen | one chosen | {n} chosen', all: 'choose all {n}', none: 'choose nobody', pick: 'Choose {name}'
  },
  strip: { label: 'Ways in over the term', today: 'today', paused: 'paused', out: 'kept out' },
  change: {
    lift: 'Lifting the keep-out would let them in.', 'reopen-account': 'Opening the account again would change it.', 'let-in': 'Letting them in would change it.', 'bring-back': 'Bringing them back would change it.', answer: 'Their answer would change it.',
    'move-start': 'An earlier start would change it.', resume: 'Resuming would change it.', 'open-site': 'Opening the site would change it.', 'open-site-again': 'Opening the site again would change it.', none: '', who: 'Can be done by: {who}.', administrator: 'an administrator'
  },
  note: {
    'already-so': 'It is so already.', 'already-here': 'They are here already.', 'here-as-other': 'They are here already, in another role. Change the role instead.', 'kept-out': 'They are kept out of this site. That has to be lifted first.', 'not-here': 'They are not here.', 'never-here': 'They have never been here. Let them in instead.',
    'not-paused': 'They are not paused.', 'not-kept-out': 'They are not kept out.', 'no-role-by-hand': 'No role was given by hand.', 'no-dates-by-hand': 'No dates were set by hand.', 'pause-outside': 'They are not here at that time, so there is nothing to pause. Choose other days.', 'pause-keeps': 'Their seat, work, section and groups stay.', 'beyond-term': 'That is beyond the term, which ends on {until}.',
    'dates-bring-role': 'Another way in of theirs has other dates, and these would bring the role {role} with it. Change the role by hand first, then the dates.',
    'changed-since': 'Changed since by somebody else; look again.',
    'window-is-over': 'The last day is already over. Choose a later one.', 'no-seat': 'All {seats} seats are held. Give the site more seats, or take somebody out first.', 'leads-full': 'The site has {limit} leads, and that is the most it may have.', 'last-lead': 'An open site needs a lead. Let another lead in first, or close the site.',
    'lead-ends': 'From {at} on the site would have no lead.', 'account-closed': 'Their account is closed, so they cannot enter yet.', 'work-stays': 'They lose entry at once. Their work, section and groups stay, and are there again when they come back.', 'comes-back-through': 'The door {door} would bring them in again.', 'dates-were-over': 'Their dates were over on {until}; they come back to the end of the site.',
    'not-yours-to-do': 'You may not change who is in this site. Can be done by: {givers}.', 'not-yours-to-take': 'You may not take the role {role} from somebody. Can be done by: {givers}.', 'not-yours-to-give': 'Not yours to give. Can be given by: {givers}.', 'not-to-yourself': 'Nobody raises themselves. Can be given by: {givers}.',
    'wrong-kind': 'Not for this kind of person ({kind}).', 'wrong-level': 'Learners may hold it at levels {lowest} to {highest} only.', cautioned: '{caution}', 'other-levels': 'Outside the site\'s division or levels.', 'no-such-role': 'This role does not exist any more.', fits: ''
  },
  landing: { leads: 'Led by', section: 'Your section', roster: 'Who is here', back: 'Sites I am in', as: 'You are here as {role}.', nothing: 'No lead is here at the moment.', asAdmin: 'You have no role in this site. As an administrator you can open its roster.' },
  log: {
    title: 'Logbook', find: 'Names in it', any: 'any entry', from: 'from', until: 'until', none: 'No entry fits. Look for less.', compare: 'Compare two days', close: 'Close the comparison',
    between: 'Between the end of', and: 'and the end of', came: 'Nobody came | One came | {n} came', went: 'Nobody went | One went | {n} went', changed: 'Nobody changed | One changed | {n} changed', is: '{role}, {state}', csv: 'CSV file', empty: 'Nothing has happened here yet.', more: 'Show earlier', undone: 'undone', by: '{who}',
    'let-in': 'let {person} in as {after}', 'change-role': 'made {person} {after}, who was {before}', 'take-out': 'took {person} out, who was {before}', 'bring-back': 'brought {person} back as {after}', pause: 'paused {person}', resume: 'ended the pause of {person}', 'change-dates': 'changed the dates of {person}', 'keep-out': 'keeps {person} out', 'lift-keep-out': 'no longer keeps {person} out', 'lift-role': 'lifted the role by hand of {person}', 'lift-dates': 'lifted the dates by hand of {person}', undo: 'undid a change of {person}', 'undo-site': 'undid a change of the site',
    'site-made': 'made the site', 'site-changed': 'changed the site', 'site-open': 'opened the site', 'site-closed': 'closed the site', 'site-open-on': 'set the site to open on {day}', 'site-closed-on': 'set the site to close after {day}', 'site-draft': 'made the site a draft again', of: '({what})',
    verbs: { 'let-in': 'letting in', 'change-role': 'change of role', 'take-out': 'taking out', 'bring-back': 'bringing back', pause: 'pause', resume: 'end of a pause', 'change-dates': 'change of dates', 'keep-out': 'keeping out', 'lift-keep-out': 'lifting of a keep-out', 'lift-role': 'lifting of a role', 'lift-dates': 'lifting of dates', undo: 'an undoing', 'site-changed': 'settings', 'site-open': 'opening', 'site-closed': 'closing', 'site-draft': 'back to draft' }
  }
}
