/** Every sentence of the interface. Plurals go none | one | more. */
export default {
  app: { name: 'Mint Door', skip: 'Skip to the page', sites: 'Sites', people: 'People', sheets: 'Sheets', post: 'Post room', why: 'Why not?', rules: 'Rules', signOut: 'Sign out', dark: 'Dark', light: 'Light', keys: 'Shortcuts' },
  find: {
    label: 'Find or do', placeholder: 'Find a site, or do something', nothing: 'Nothing is called that. Try part of a title or a short code.',
    do: { newSite: 'New site', people: 'People into sites', sheets: 'Sheets', accounts: 'Make accounts', post: 'Post room', makeSites: 'Make several sites', run: 'Sites I run', in: 'Sites I am in', all: 'All sites', dark: 'Use dark colours', light: 'Use light colours', keys: 'Show the shortcuts', letIn: 'Let people in here', doors: 'Doors of this site', watch: 'Watch people come in here', join: 'Join with a key', toJoin: 'Sites to join', renew: 'Renew keys of sites', why: 'Why can somebody not enter?', rules: 'Read the rules', rehearse: 'Rehearse all sites I run', approvals: 'Who waits for your division', security: 'Read the security log', account: 'Your password and sessions', signOut: 'Sign out' }
  },
  keys: {
    title: 'Shortcuts', close: 'Close',
    list: { Space: 'choose who is on the line', '/': 'find or do', i: 'let people in', '↑ ↓': 'through the list', Enter: 'show who is on the line', Esc: 'close what is open', u: 'undo what was just done', '?': 'show or hide these shortcuts' }
  },
  undo: { undo: 'Undo', busy: 'Undoing…', undone: 'Undone: {what}', nothing: 'Nothing was left to undo of it.', dismiss: 'Hide this', will: 'Nothing of it can be undone any more. | One change will be undone. | {n} changes will be undone.', left: '… | One was changed since and is left alone. | {n} were changed since and are left alone.' },
  trouble: {
    readsOnly: 'Nothing is changed while you look through the eyes of another.', since: 'In the meantime: {what}.', sinceOne: '{actor} made a {verb}',
    silent: 'The server does not answer. Trying again by itself; nothing you typed is lost.',
    busy: 'Others are at work on the same at this moment. Trying again by itself; nothing you typed is lost.',
    unsure: 'It is not known whether this was saved. Looking…',
    unexpected: 'Something went wrong. Try again in a moment.',
    again: 'Try again', back: 'Back to my sites',
    unknown: 'There is nothing at this address', unknownMore: 'Check it for a slip, or find the site from your list.',
    takeTheirs: 'Show what is so now', keepMine: 'Save mine over it'
  },
  signIn: {
    title: 'Come in', login: 'Login name or e-mail', password: 'Password', button: 'Sign in', busy: 'Signing in…',
    again: 'Sign in again to go on', againMore: 'Your session is over. What you were doing goes on once you are signed in.',
    forgotten: 'Forgotten your password?', help: 'Without an e-mail address, a tutor of one of your sites or an administrator gives you a new one.'
  },
  forgotten: { title: 'A new password', more: 'Type the name you sign in with. If there is an account of that name with an e-mail address, a link to set a new password goes there.', button: 'Send me a link', asked: 'If there is such an account with an e-mail address, a link is on its way to it. It works once, for an hour.', noMail: 'No e-mail address? A tutor of one of your sites can hand you a card.', back: 'Back to signing in' },
  welcome: { title: 'Set your password', more: 'This link works once. Afterwards you sign in with the login name in the message.', password: 'New password', hint: '12 characters or more', button: 'Set it and sign in', noToken: 'This link is not complete. Open it as it was printed.' },
  kind: { learner: 'Learner', staff: 'Staff', guardian: 'Guardian', outsider: 'Outsider' },
  level: 'level {n}',
  siteKind: { course: 'Course', ensemble: 'Ensemble', workshop: 'Workshop', studio: 'Studio', club: 'Club', evening: 'Evening' },
  siteState: { draft: 'Draft', open: 'Open', closed: 'Closed' },
  state: { current: 'Current', paused: 'Paused', upcoming: 'Upcoming', waiting: 'Waiting', approval: 'Waiting for approval', 'kept-out': 'Kept out', ended: 'Ended', 'taken-out': 'Taken out' },
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
      in: 'You are in no site yet. Type a key you were given, or ask your tutor to let you in.',
      all: 'There is no site in your reach yet.', none: 'No site fits. Take a filter away, or type less.'
    },
    enter: 'Go in', look: 'Look in', canEnter: 'You can enter.', canLook: 'You can look, but not work here.'
  },
  site: {
    roster: 'Roster', doors: 'Doors', rehearsal: 'Rehearsal', logbook: 'Logbook', messages: 'Messages', settings: 'Settings', seats: 'Seats', unlimited: 'no learners | 1 learner, no seat limit | {n} learners, no seat limit',
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
    col: { name: 'Name', kind: 'Kind', level: 'Level', division: 'Division', number: 'Number', role: 'Role', state: 'State', since: 'Since', seen: 'Last seen', work: 'Work', labels: 'Labels' },
    sortBy: 'Sort by {what}', inState: 'who are',
    states: { here: 'here', current: 'current', paused: 'paused', upcoming: 'upcoming', waiting: 'waiting', 'kept-out': 'kept out', ended: 'ended', 'taken-out': 'taken out' },
    every: 'in every role', only: 'in the role {role}', clear: 'Show all again',
    empty: 'Nobody is here yet. Let the first people in: type a name, a number or an e-mail above.', none: 'Nobody here fits. Change the words above, or show all again.',
    on: 'on', asOf: 'The roster as it stands at the end of {day}. What you change is changed from now on.', now: 'Back to now', never: 'never', unlistedMark: 'unlisted', loading: 'Fetching the roster…', list: 'Roster', bringOf: 'of {title}', work: '{done} of {of}', closedAccount: ', account closed'
  },
  further: {
    add: 'Narrow it further', and: 'and…', drop: '(leave this out)', other: '{what}: {value}',
    about: { section: 'section', level: 'level', division: 'division', door: 'way in', seen: 'last seen', ends: 'ending soon', joined: 'newly come', label: 'label' },
    label: 'labelled {name}', oneDoor: 'come through one door',
    section: 'in section {name}', level: 'at level {n}', division: 'of {name}', never: 'never seen here', seen: 'not seen for {n} days', ends: 'ending within {n} days', joined: 'come within {n} days',
    door: { desk: 'let in at the desk', key: 'come with a key', invitation: 'come by invitation', cohort: 'brought by a cohort', feed: 'brought by a feed', 'look-in': 'looking in' }
  },
  views: {
    title: 'Kept views', none: 'Kept views…', keep: 'Keep this view', name: 'Under which name?', save: 'Keep it', forget: 'Forget {name}', never: 'Not now', kept: '{name} is kept: find it among your kept views.', forgotten: '{name} is forgotten.'
  },
  label: {
    title: 'Labels', add: 'Add a label', put: 'Put it on', off: 'Take {name} off', any: 'No labels yet.', which: 'Which label?', hint: 'Up to 40 letters', used: 'on one | on one | on {n}',
    onOrOff: { on: 'Put it on them', off: 'Take it off them' },
    did: { on: 'Nobody got a new label. | One person is labelled {label}. | {n} people are labelled {label}.', off: 'Nobody had that label. | The label {label} is off one person. | The label {label} is off {n} people.' }
  },
  seeAs: {
    start: 'See as…', title: 'Look at this site through other eyes', role: 'a role', section: 'a section', one: 'As {name}', person: 'See as {name}', is: 'You see this site as {name} would.', isRole: 'You see this site as somebody in the role {name} would.', isSection: 'You see this site as a learner of section {name} would.', only: 'Nothing can be changed meanwhile.', back: 'Back to yourself', inside: 'What they find inside', noRoster: 'They do not see who is here.', never: 'Not now'
  },
  why: {
    title: 'Why can they not enter?', more: 'Say who and where, and read what keeps them out and what would change it.', who: 'Who', whoHint: 'Name, number, login or e-mail', where: 'Which site', whereHint: 'Title or short code', label: 'with the label', anyLabel: 'any label or none', nobody: 'Nobody in your reach is called that.', nowhere: 'No site of yours is called that.', another: 'Somebody else', elsewhere: 'Another site',
    steps: 'All of this would have to change: | This would have to change: | All of this would have to change, in this order:', ask: 'Ask {who}.', mends: { resume: 'Resume now', lift: 'Lift the keep-out', 'bring-back': 'Bring back', 'let-in': 'Let in as {role}', 'move-start': 'Let them begin now', 'open-site': 'Go to the site to open it', 'open-site-again': 'Go to the site to open it again', 'more-seats': 'Go to its settings' }, open: 'Open in the roster', choose: 'Choose who and where.'
  },
  rehearseAll: {
    title: 'Rehearse all sites I run', more: 'Each site is looked at as it will be at that moment of its own clock; those with trouble come first.', fine: 'Nobody is expected. | The one expected could enter. | All {n} could enter.', some: '{n} of {of} could enter.', mend: 'Look and mend', empty: 'You do not run a site.', all: 'All sites: {n} of {of} could enter.'
  },
  siteSheet: {
    chosen: 'no site chosen | one site chosen | {n} sites chosen', pick: 'Choose {title}', none: 'choose none', all: 'choose all that are listed',
    words: { open: 'open', close: 'close', seats: 'change seats', lead: 'give a lead' },
    title: { open: '… | Open one site | Open {n} sites', close: '… | Close one site | Close {n} sites', seats: '… | Change the seats of one site | Change the seats of {n} sites', lead: '… | Give one site a lead | Give {n} sites a lead' },
    apply: { open: 'Open none | Open one | Open {n}', close: 'Close none | Close one | Close {n}', seats: 'Change none | Change one | Change {n}', lead: 'Change none | Give one this lead | Give {n} this lead' },
    did: { open: 'No site was opened. | One site is opened. | {n} sites are opened.', close: 'No site was closed. | One site is closed. | {n} sites are closed.', seats: 'No seats were changed. | The seats of one site are changed. | The seats of {n} sites are changed.', lead: 'No lead was given. | One site has a new lead. | {n} sites have a new lead.' },
    planned: { open: 'no site will open by itself | One site will open by itself on that day. | {n} sites will open by themselves on that day.', close: 'no site will close by itself | One site will close by itself after that day. | {n} sites will close by themselves after that day.' },
    means: { open: 'Learners who are let in can enter at once.', openOn: 'Until then learners see its title and the day.', close: 'Learners can no longer work there; those whose role may, can still read.', closeOn: 'Learners can work there to the end of that day.' },
    ready: 'No site will change | One site will change | {n} sites will change', seats: 'Seats', seatsHint: 'empty: no limit', on: 'On', after: 'After', now: 'empty: now', who: 'Who is to lead them', verdict: { ready: 'will', refused: 'cannot', 'nothing-to-do': 'is so already' }
  },
  may: {
    enter: 'enter and look around', 'enter-draft': 'enter a draft', 'read-closed': 'read it once it is closed', 'do-work': 'work on items and hand in', 'see-roster': 'see who is here', 'see-unlisted': 'see who is unlisted', 'see-activity': 'see when people were last there and how far they are', 'see-marks': 'see marks', 'enter-marks': 'enter marks', 'make-items': 'make items', 'show-items': 'decide who sees which item', 'export-progress': 'take progress away as a file', 'label-people': 'put labels on people', 'write-to-people': 'write to the people here', 'arrange-groups': 'arrange groups', 'arrange-sections': 'arrange sections', 'keep-doors': 'set up doors', 'let-in': 'let people in and out by the roles they may give', 'see-as': 'look through the eyes of others', 'see-logbook': 'undo from the logbook', 'run-site': 'open and close the site and change its settings'
  },
  rules: {
    title: 'Rules', more: 'What holds in every site. Version {version}, since {day}.', by: 'What holds in every site. Version {version}, since {day}, by {who}.', parts: { roles: 'Roles', compare: 'Differences', ladder: 'Who gives what', outside: 'From outside', numbers: 'Numbers', names: 'Short names', limits: 'Limits', administrators: 'Administrators', log: 'What changed' },
    may: 'May {what}.', and: ' and ', mayNot: 'May not {what}.', all: 'May do everything there is.', band: '{name} ({whom}): may {what}.', bandLevels: '{division}, levels {lowest} to {highest}', stands: 'Stands for {standard} in LIS and LTI.', forWhom: 'For {kinds}.', forLevels: 'Learners at levels {lowest} to {highest} only.', suggested: 'Offered first to {kinds}.', unlisted: 'Does not show in the roster.', seat: 'Holds a seat.', lead: 'Answers for the site: an open site has one.', caution: 'Caution: {text}', nobody: 'nobody',
    kinds: { learner: 'learners', staff: 'staff', guardian: 'guardians', outsider: 'outsiders' },
    between: 'Between', andThe: 'and', also: 'A {second} may also {what}.', not: 'A {second} may not {what}.', same: 'They may do the same.', moreWays: 'Besides: {what}', differs: { listed: 'one of them is unlisted', seat: 'one of them holds a seat', kinds: 'they are for different people' },
    gives: 'A {role} may give: {roles}.', givesNone: 'These give no role: {roles}.', givesAll: 'Administrators may give every role in the sites of their divisions.', givenBy: 'Given by',
    edit: 'Change', stop: 'Done with this role', name: 'Name', captionOf: 'Caution', cautionHint: 'a sentence that is shown before the role is given; empty for none', rank: 'Rank', rankHint: 'higher is shown first', listed: 'Shows in the roster', permissions: 'May', whoFor: 'For', new: 'New role', remove: 'Remove this role', standard: 'Stands for', offerTo: 'Offered first to', onlyLevels: 'only at levels', lowest: 'lowest', highest: 'highest', to: 'to', bands: 'Other rules for some of them', bandsHint: 'By division and level: the person decides, nobody picks.', bandName: 'Name of these rules', newBand: 'Rules {n}', addBand: 'Other rules for some',
    number: { name: 'Name', prefix: 'Letters before', digits: 'Digits', checked: 'the last digit checks the others (Luhn)', kinds: 'Of', example: 'Such as {example}', add: 'Another format', remove: 'Remove', sentence: '{name}: {prefix}{n} digits{check}, such as {example}. Of {kinds}.', check: ', the last of which checks the others', before: '{letters} and ' },
    names: { label: 'One name a line: the full one, a colon, and what it is shortened to', more: 'Who is called “Gosia” on a list may be Małgorzata in the directory. This is looked up when lists are pasted.' },
    outside: {
      more: 'When staff from outside a division let its people into a site:',
      ask: 'Adults named by number or address come in at once; everybody else waits for approval',
      open: 'Everybody comes in at once', closed: 'Everybody waits for approval'
    },
    limitsOf: {
      sites: 'Sites and sheets', care: 'Accounts and looking people up', mail: 'Mail a day',
      keep: 'How long things are kept'
    },
    limit: { careHome: 'Hours until a tutor may look after the account of somebody they let in', careBeyond: 'The same, for people of other divisions or levels', cardDays: 'Days for which a sign-in card holds', lookups: 'Unknown numbers and addresses one person may look up in an hour', mailOutside: 'Messages a day from one sender to unknown addresses', mailPerson: 'Messages a day to one person', mailAgain: 'Times a day the same message is sent again', passwordLinks: 'Links to set a password a day from one sender', keepMessages: 'Days for which the texts of messages are kept', keepAddresses: 'Days for which network addresses are kept', keepAnswers: 'Hours for which the answer to a repeated call is kept', seats: 'A site has at most so many seats', leads: 'Leads of a site that has no limit of its own', sheet: 'Lines on a sheet', removalFew: 'Never ask when so many or fewer are taken out', removalShare: 'Ask for the number when more than this share is taken out, in per cent' },
    limits: { careHome: 'Who let somebody in by hand may look after their account after {n} hours.', careBeyond: 'For people of other divisions or levels it is {n} hours.', cardDays: 'A sign-in card holds for {n} days.', seats: 'A site has {n} seats at most.', leads: 'A site has {n} leads at most, unless it has a limit of its own.', sheet: 'A sheet has {n} lines at most.', removal: 'Whoever takes out more than {few} people and more than {share} % of a site types their number first.' },
    preview: { title: 'What would change', none: 'Nothing yet: these are the rules that hold.', nobody: 'Nobody who is in a site would gain or lose a permission.', gain: '… | One person in one site would also: {what}. | {n} people in {sites} would also: {what}.', lose: '… | One person in one site could no longer: {what}. | {n} people in {sites} could no longer: {what}.', sites: 'no site | one site | {n} sites', numbers: '{name}: {fit} numbers fit, {not} would not, such as {example}.', numbersFit: '{name}: all {fit} numbers fit.', overSeats: '… | One site has more seats than that; it keeps them. | {n} sites have more seats than that; they keep them.', overLeads: '… | One site has more leads than that; none is taken out, and no further one can be let in. | {n} sites have more leads than that; none is taken out, and no further one can be let in.', wrong: 'This cannot be yet:', save: 'Put these rules in force', drop: 'Drop my changes', did: 'The rules are changed. Version {version} holds.', computing: 'Working out whom it affects…', back: 'Version {version} is in force again.' },
    problem: { 'too-long': 'That is too long. Shorten it.', 'too-many-roles': 'There may be {most} roles at most.', 'no-name': 'It needs a name.', 'taken-name': 'Another has this name. Choose a different one.', 'taken-rank': 'Another role has this rank. Choose a different one.', 'bad-code': 'The code has lower-case letters, digits and hyphens.', 'no-such-standard': 'Choose what it stands for from the list.', 'rank-out-of-range': 'A rank goes from 1 to 999.', 'for-nobody': 'Say who it is for.', 'may-nothing': 'Say what it may do.', 'suggested-for-others': 'It is offered first to people it is not for.', 'lead-unlisted': 'A lead shows in the roster.', 'lead-for-others': 'Only staff may lead.', 'lead-runs-site': 'A lead runs the site.', 'only-leads-run': 'Only a lead runs the site.', 'learners-let-in': 'Learners may hold this role, so it cannot let people in.', 'needs-permission': 'To {permission} somebody must also: {needed}.', 'no-such-division': 'There is no such division.', 'band-above-role': '{band} may not do more than the role itself.', 'no-such-giver': 'A role that gives it does not exist.', 'given-from-below': 'A role is given by those of the same or a higher rank; {giver} is below.', 'giver-lets-nobody-in': '{giver} lets nobody in, so it cannot give a role.', 'still-held': '… | One person holds it. Give them another role first. | {n} people hold it. Give them another role first.', 'no-lead-role': 'There must be a role that leads.', 'lead-stays': 'Whether a role leads is settled when it is made.', 'seat-stays': 'Whether a role holds a seat is settled when it is made.', 'bad-prefix': 'Up to six capital letters, or none.', 'digits-out-of-range': 'Choose 2 to 16 digits.', 'same-format': '{by} is written the same way.', 'out-of-range': 'Choose {least} to {most}.', 'no-short-name': '{name}: write a colon behind it, and what it is shortened to.', 'too-many-in-a-row': '{name} has too many short names. Twenty are enough.', 'not-one-word': '{name}: write single words of two letters or more, with commas between.', 'too-many-names': 'There may be {most} lines at most.' },
    admin: { platform: 'Administers the whole platform', divisions: 'Administers', change: 'Change', add: 'Name an administrator', save: 'Save', of: '{what}', everything: 'the whole platform', closed: 'account closed', stop: 'administers nothing', did: '{name}: saved.', more: 'Administrators see and change every site of their divisions, whatever their role there.' },
    log: { rules: 'changed the rules: version {version}', read: 'read the rules before', administrator: 'changed what {person} administers', putBack: 'Put version {version} in force again', asBefore: 'As it was before', empty: 'Nothing was changed yet.' },
    staffOnly: 'The rules are for staff.'
  },
  rehearsal: {
    title: 'Rehearse the first day', more: 'Everybody who is expected is looked at as they will be at that moment, before they stand at the door.', on: 'On', at: 'at',
    mendAll: 'Mend {n} of these in one sheet', all: 'All sites I run',
    sum: '{when}: {n} of {of} could enter.', look: '… | One could only look, as their role has it. | {n} could only look, as their role has it.', nobody: 'Nobody is expected then.', others: 'and {n} more',
    cause: {
      upcoming: '… | One would not have started yet | {n} would not have started yet', waiting: '… | One would not have answered | {n} would not have answered', 'waits-for-approval': '… | One would still wait for approval | {n} would still wait for approval', paused: '… | One would be paused | {n} would be paused',
      'account-closed': '… | One has a closed account | {n} have a closed account', draft: '… | For one the site would still be a draft | For {n} the site would still be a draft', closed: '… | For one the site would be closed | For {n} the site would be closed',
      'kept-out': '… | One would be kept out | {n} would be kept out', 'reads-closed': '… | For one the site would be closed; they could still read | For {n} the site would be closed; they could still read',
      'never-here': '… | One was never let in | {n} were never let in', ended: '… | For one the time would be over | For {n} the time would be over', 'taken-out': '… | One would be taken out | {n} would be taken out', 'let-in': '… | One | {n}', 'prepares-draft': '… | One | {n}'
    }
  },
  away: {
    open: 'Take it away', title: 'Take these rows away', columns: 'Columns', copy: 'Copy', print: 'Print', csv: 'CSV file', progress: 'Progress', summary: 'Summary (CSV)', items: 'Every item (CSV)', gone: 'with those who are gone', seen: 'Last seen', done: 'Done', of: 'Of', mean: 'Mean mark', notMarked: 'done', progressSaved: 'Saved the progress of nobody. | Saved the progress of one person as {file}. | Saved the progress of {n} people as {file}.',
    copied: 'Copied 1 row. | Copied one row. | Copied {n} rows.', saved: 'Saved {n} rows as {file}.', busy: 'Fetching all rows… {n}', close: 'Close'
  },
  intake: {
    label: 'Let people in', placeholder: 'Name, number, login or e-mail', hint: 'Finds who is here and who is not. A whole list can be pasted.',
    alreadyHere: 'Already here', wasHere: 'Was here', keptOut: 'Kept out', canBeLetIn: 'Can be let in', more: 'There are more. Type a little more of the name.',
    nobody: 'Nobody by that name, number or e-mail is in your reach. Try part of the name, or the number in full.',
    short: 'Type two characters or more.', searching: 'Looking…', show: 'Show', letInAs: 'Let in as {role}', letIn: 'Let in…', bringBack: 'Bring back as {role}', another: 'Other role or dates', close: 'Close',
    hereAs: '{role} since {day}', until: '{role} until {day}', upcoming: '{role} from {day}', keptOutUntil: 'until {day}', keptOutOpen: 'with no end', masked: 'outside your divisions', asks: 'Waits for approval by their division first.',
    slip: 'That is no {format}: by its check digit one digit is wrong. Look at the number again.', found: 'nobody found | 1 person found | {n} people found', from: 'From', untilDay: 'until and including', fromHint: 'empty: now', untilHint: 'empty: the end of the site', chooseRole: 'As which role?', noRole: 'There is no role that you may give them here.'
  },
  pasted: {
    title: 'A list of people', titleOf: 'List into {site}', as: 'As', suggested: 'suggested for each', likeAll: 'like the others', section: 'Section', noSection: 'none', from: 'From', until: 'until and including', termStart: 'from {day}, when the term begins', forAll: 'For all lines',
    again: 'Go on with the list of {day}', kept: { not: 'Kept under Sheets as you work on it.', saving: 'Keeping it…', kept: 'Kept under Sheets. You can leave and come back.', stale: 'Somebody else works on this sheet, too. Open it again from Sheets to see what is so now.' },
    empty: 'Paste names, numbers, logins or e-mails, one a line', tooLong: 'That is {n} characters; a sheet takes {most}. Paste the first part, and the rest on a sheet of its own.',
    ready: 'Nobody will join | One will join | {n} will join', toSettle: '… | one needs a choice | {n} need a choice', already: '… | one is here already | {n} are here already', unknown: '… | one is unknown | {n} are unknown', cannot: '… | one cannot join | {n} cannot join', seatsAfter: '{after} of {seats} seats after', heldAfter: 'no learners after | one learner after | {n} learners after',
    apply: 'Let nobody in | Let one in | Let {n} in', did: 'Nobody was let in. | One person is let in. | {n} people are let in.', next: 'To the next line that asks', keys: '1 to 6 says who is meant, 0 leaves the line out.',
    fold: { so: '… | One line is so already | {n} lines are so already', aside: '… | One line is left out or kept | {n} lines are left out or kept', nobody: '… | One line means nobody | {n} lines mean nobody' },
    repeat: 'The same person as on line {n}.', nobody: 'Nobody in your reach is called that.', near: 'Perhaps one of these?', which: 'Who is meant?', drop: 'Leave out', keep: 'Keep for an invitation', keptFor: 'Kept for an invitation.', invite: '… | Invite the one kept | Invite the {n} kept', takeUp: 'Take it up again', other: 'Somebody else', own: 'Other role or dates', correct: 'Line {n}', wrongKind: 'a {kind}',
    in: 'Joins as {role}.', later: 'Joins later, as {role}.', back: 'Comes back as {role}.', really: 'Yes, let in as {role}',
    remembered: '… | One line is remembered here | {n} lines are remembered here', rememberedMore: 'Settled by hand before. It is offered first, and never taken by itself.', rememberedIs: 'is {name} (by {by}, {day})', forget: 'Forget',
    evidence: { identifier: 'by number, login or e-mail', 'full-name': 'by the full name', 'preferred-name': 'by the preferred name', 'former-name': 'by a former name', 'only-one-for-the-site': 'the only one of that name the site is for', initials: 'by initials', 'part-of-the-name': 'by part of the name', 'small-difference': 'spelled a little differently', 'local-part': 'by the address before the {\'@\'}', particles: 'by the name, particles aside', transliteration: 'by the name in other letters', nickname: 'by a short name', remembered: 'settled so here before', 'one-digit-off': 'their number is one digit off', 'by-hand': 'found by hand', 'the-row-says': 'the only one of the level or division on the line' }
  },
  sheets: {
    title: 'Sheets', more: 'Changes to several people, as they were prepared, applied and taken back. A draft can be gone on with by anyone who may let people in there.', many: 'People into sites', makeSites: 'Make several sites', back: 'All sheets', mine: 'only mine',
    filter: { all: 'all', draft: 'begun', applying: 'being applied', applied: 'applied', dropped: 'put aside' },
    col: { what: 'What', where: 'Where', who: 'Who and when', count: 'Lines', state: 'State', acts: 'What next' },
    kind: { desk: 'One change', roster: 'Change of a roster', pasted: 'List of people', people: 'People into sites', sites: 'New sites', accounts: 'New accounts', merge: 'Two who are one', erase: 'Erasing', undo: 'Taking back' },
    severalSites: 'several sites', count: '{applied} of {total}', empty: 'There is no sheet yet. Paste a list into a roster’s box, choose people and sites, or make accounts.', none: 'No sheet is like that.',
    state: { draft: 'Begun', applying: 'Being applied: {done} of {total}', stopped: 'Stopped: {done} of {total}', applied: 'Applied', dropped: 'Put aside', undone: 'Taken back' },
    sum: '{applied} done, {left} left alone.', by: 'By {who}, {at}', goOn: 'Go on with it', drop: 'Put aside', takeUp: 'Take up again', dropped: 'The sheet is put aside.', takenUp: 'The sheet is taken up again.',
    trouble: {
      'database-away': 'The database did not answer. What was done is kept.',
      busy: 'Others were changing the same for too long. What was done is kept.',
      unexpected: 'Something went wrong on our side. What was done is kept.'
    },
    tryOn: 'Go on with the rest',
    progress: 'Lines applied', canLeave: 'You can leave this page; it goes on by itself.', continue: 'It has stopped? Continue', undo: 'Take all of it back…', undoNow: 'Take nothing back | Take one back | Take {n} back', notNow: 'Not now', undone: 'Nothing was taken back. | One change is taken back. | {n} changes are taken back.', undoesThis: 'The sheet it takes back', undoneByThis: 'What took it back', copy: 'Copy the lines as CSV', tells: 'Those concerned are told.',
    notHere: 'not here', verdict: { ready: 'done', 'nothing-to-do': 'was so', 'needs-choice': 'to be chosen', refused: 'left alone', 'waits-for-seat': 'no seat', pending: 'to come' },
    verb: { 'let-in': 'let in', 'take-out': 'take out', 'change-role': 'change role', 'bring-back': 'bring back', pause: 'pause', resume: 'resume', 'change-dates': 'change dates', 'keep-out': 'keep out', 'lift-keep-out': 'lift the keep-out', 'lift-role': 'lift the role by hand', 'lift-dates': 'lift the dates by hand', undo: 'take back' },
    csv: { line: 'Line', typed: 'Typed', person: 'Person', site: 'Site', change: 'Change', outcome: 'Outcome', 'before and after': 'Before and after', why: 'Why' }
  },
  makeSites: {
    title: 'Make several sites', more: 'One site a line, typed or pasted from a spreadsheet: title, code, kind, division, term, levels, seats, leads. A first row may name the columns in another order; what is left out is as below.', rows: 'Rows', placeholder: 'Harmony for beginners;HFB;course;Millrace Seniors;Winter 2027;6-8;24;Mara Lindqvist',
    division: 'Division, where a row says none', term: 'Term, where a row says none', none: 'none', sum: { ready: 'no site will be made | one site will be made | {n} sites will be made', choice: '… | one needs a choice | {n} need a choice', wrong: '… | one needs another look | {n} need another look' },
    apply: 'Make no site | Make one site | Make {n} sites', did: 'No site was made. | One site is made. It is a draft. | {n} sites are made. They are drafts.', whoIs: 'Who is “{text}”?', nobody: 'Nobody of the staff in your reach is called “{text}”. Correct the row.', leads: 'led by {who}', you: 'led by you', levels: 'levels {lowest} to {highest}', seats: 'no limit of seats | one seat | {n} seats', made: 'made', back: 'Nothing was taken back. | One site is taken back. | {n} sites are taken back.', left: '{title}: {detail}'
  },
  cards: {
    title: 'Sign-in cards', nobody: 'Choose people first, in a roster or under People.', will: '… | One person gets a new password, made of words. The one of before stops working, and they are signed out everywhere. | {n} people get new passwords, made of words. Those of before stop working, and they are signed out everywhere.',
    once: 'They choose a password of their own when they sign in', make: 'Make no card | Make the card | Make {n} cards', made: 'No card | One card | {n} cards', shownOnce: 'Print them now: they are shown once, and kept nowhere.', print: 'Print', done: 'Done, let go of them', where: 'Where', login: 'Login name', password: 'Password', ownSoon: 'You choose a password of your own when you come in.', days: 'Good for', daysHint: 'days', until: 'Good until {day}.'
  },
  ownPassword: { title: 'Your password and sessions', must: 'The password you were given works once. Choose one of your own to go on.', present: 'Current password', button: 'Change it', did: 'Your password is changed.' },
  strength: {
    label: 'How hard it would be to guess', short: '… | 1 more character at least. | {n} more characters at least.',
    0: 'Guessed at once. Take several words that have nothing to do with each other.',
    1: 'Guessed soon. Take more words, or less usual ones.', 2: 'Not hard to guess yet. Add a word.',
    3: 'Hard to guess.', 4: 'Very hard to guess.'
  },
  notices: {
    title: 'What others did since you were here last', read: 'I have read this', somebody: 'Somebody',
    unexpected: 'If you did not expect this, tell an administrator of your division today.',
    card: '{by} made a sign-in card with a new password for you.',
    'password-link': '{by} had a link sent to you to set a new password.',
    'password-set': 'A new password was set for your account with a link.',
    'password-wanted': '{by} asked that you choose another password.', 'sessions-ended': '{by} signed you out everywhere.',
    facts: '{by} changed what the directory says of you: {fields}.',
    login: '{by} found you twice in the directory and made one of the two.', 'account-closed': '{by} closed your account.',
    'account-opened': '{by} opened your account again.',
    'let-in-outside': '{by} let you into {site}. You may leave it by yourself whenever you like.'
  },
  approvals: {
    hint: '… | One person of your division waits for approval. | {n} people of your division wait for approval.',
    open: 'Waiting for approval', title: 'Waiting for approval', who: 'Who', into: 'Into', role: 'As', by: 'Asked by',
    more: 'Staff from outside your division want to let these people into a site. They wait for your answer.',
    none: 'Nobody of your division waits for your answer.', answer: 'Answer', yes: 'Yes', no: 'No', yesTo: 'Yes to {name}', noTo: 'No to {name}',
    did: { yes: '{name} is in {title}.', no: '{name} is not let into {title}.' }
  },
  sessions: {
    title: 'Where you are signed in', more: 'A session you do not know is somebody else’s: end it, then change your password.',
    device: 'Device', place: 'Address', used: 'Last used', since: 'Signed in', ends: 'Ends if not used', this: 'this device', unknown: 'Something else',
    end: 'End', endOf: 'End the session with {device} from {place}', endAll: 'End all others', did: 'That session is ended.',
    didAll: 'You are signed in here only.'
  },
  security: {
    open: 'Security log', title: 'Security log', find: 'Names or an address', any: 'anything', days: 'any days',
    more: 'What matters to the safety of accounts and people. Nobody can change a line of it without that being seen.',
    save: 'Save as JSON lines', none: 'No line fits. Look for less.', when: 'When', happened: 'What', by: 'By', person: 'About',
    from: 'From',
    what: {
      'sign-in': 'signed in', 'sign-in-failed': 'failed to sign in', 'sign-in-refused': 'too many tries to sign in',
      refused: 'was refused', 'password-reset': 'made a sign-in card', 'password-link': 'sent a link to set a password',
      'password-set': 'set a password', 'password-wanted': 'asked for another password',
      'sessions-ended': 'ended sessions', 'own-sessions-ended': 'ended own sessions',
      'person-changed': 'changed names, number or address', 'account-closed': 'closed an account',
      'account-opened': 'opened an account', merged: 'merged two people', unmerged: 'separated two people again',
      'person-exported': 'handed out what is held', 'person-erased': 'erased somebody', export: 'saved a file',
      'page-outside': 'opened the page of somebody outside their sites', 'rules-changed': 'changed the rules',
      'administrator-named': 'changed who administers'
    }
  },
  person: {
    link: 'All about them', all: 'People', account: 'Account', noAccount: 'There is no account yet.', login: 'Signs in as', orAddress: 'or', made: 'made {day}', used: 'last signed in {day}', neverUsed: 'never signed in', want: 'ask for another password next time', wantNone: 'do not ask for another password', wanted: '{name} chooses another password when they sign in next.', wantedNone: '{name} keeps their password.', sendLink: 'Send a link to set a password', linkSent: 'A link to set a password is on its way to {to}.', linksLeft: 'You have no more such links today. | You have one more such link today. | You have {n} more such links today.', messages: 'Messages to them', happened: 'What happened to them', gone: { 'taken-back': 'This person was made by mistake and taken back.', merged: 'This person was the same as another, and the two are one.', erased: 'This person was erased. What is left is that somebody was there.' }, intoWhom: 'To who they are now', isOpen: 'open', isClosed: 'closed since {day}', hasPassword: 'has a password', noPassword: 'has no password yet', mustChange: 'chooses a password of their own next time', sessions: 'no session now | one session now | {n} sessions now',
    card: 'Sign-in card', close: 'Close the account…', open: 'Open it again', end: 'End their sessions', ended: 'There was no session to end. | One session is ended. | {n} sessions are ended.', willClose: '{name} is signed out at once and cannot sign in any more. Nothing in their sites is lost.', leaderless: '{title} would have no lead who can enter. Let another lead in first.', closeNow: 'Close it now', opened: 'The account of {name} is open.', closed: 'The account of {name} is closed.',
    refusal: { 'own-account': 'This is your own account.', administers: 'They administer something: only platform administrators look after their account.', 'not-a-learner': 'Accounts of staff and guardians are looked after by administrators.', 'out-of-reach': 'You let them into no open site: the administrators of {division} look after their account.', minor: 'Accounts of learners of this age are looked after by those who lead a site of theirs, and by administrators.', gone: 'They are in the directory no more.', 'own-making': 'You let them in yourself, a short while ago. From {at} on you may look after their account; until then the administrators of {division} do.' },
    sites: 'In no site of yours | In one site of yours | In {n} sites of yours', elsewhere: 'And in no other. | And in one other, which is not yours to see. | And in {n} others, which are not yours to see.', logbook: 'All that happened to them'
  },
  tell: {
    them: 'Tell them by e-mail', each: 'Tell them by e-mail', words: 'Words of your own for them, besides what happened; empty for none', mail: 'Nobody gets a message. | One gets a message, two minutes after it is applied: until then undoing withdraws it. | {n} get a message, two minutes after it is applied: until then undoing withdraws it.', none: '… | One has no e-mail address or account and cannot be told so. | {n} have no e-mail address or account and cannot be told so.', look: 'Look at the message', hide: 'Hide the message', noAddress: 'no e-mail address', who: 'Who is told', line: { mail: 'Gets a message.', 'no-address': 'Has no e-mail address.', 'no-account': 'Has no account: not told.' },
    one: { mail: 'A message goes out in two minutes.', 'no-address': 'They have no e-mail address: tell them yourself.', 'no-account': 'They have no account yet, so nothing is sent.' }
  },
  post: {
    title: 'Post room', parts: { messages: 'Messages', words: 'Words', mailbox: 'Mailboxes' }, ofSite: 'Messages of', everywhere: 'show all', address: 'To', addressHint: 'beginning of an address', about: 'What it is about', how: 'How it stands', any: { kind: 'about anything', state: 'however it stands' },
    kind: { welcome: 'welcome', 'account-changed': 'account changed', 'let-in': 'let in', 'role-changed': 'another role', 'taken-out': 'taken out', password: 'password', invitation: 'invitation', reminder: 'reminder', 'seat-offered': 'a free seat', 'request-answered': 'answer to a request', 'quiet-warning': 'away for long' },
    told: { held: 'goes in a moment', sent: 'told', delayed: 'tried again', bounced: 'came back', withdrawn: 'withdrawn' },
    state: { held: 'goes at once | goes within a minute | goes within {n} minutes', going: 'on its way', sent: 'sent {at}', delayed: 'not taken yet, tried again at once | not taken yet, tried again in a minute | not taken yet, tried again in {n} minutes', bounced: 'came back:', withdrawn: 'withdrawn in time' },
    none: 'No message is like that.', noneHere: 'Nothing was sent to them yet.', chosen: '{n} chosen | One chosen | {n} chosen', sendAgain: 'send again | send it again | send {n} again', withdraw: 'withdraw | withdraw it | withdraw {n}', pickBounced: 'choose the {n} that came back', pick: 'Choose “{subject}” to {name}', erased: 'erased',
    again: 'Nothing was sent again. | One message goes again, in two minutes. | {n} messages go again, in two minutes.', withdrawn: 'It was too late: nothing was withdrawn. | One message is withdrawn. | {n} messages are withdrawn.', why: { 'on-its-way': 'To {name} it is on its way already.', gone: '{name} is in the directory no more.', 'no-address': '{name} has no e-mail address.', invitation: 'The invitation of {name} is sent again among the doors of its site.' },
    by: 'By {who}, {at}', asked: 'Asked for by themselves, {at}', withSheet: 'the sheet it came with', to: 'To', noAddress: 'no address', plain: 'plain text', html: 'with layout',
    whose: { first: 'In the words the house began with.', platform: 'In the words of the platform.', division: 'In the words of the division.', site: 'In the words of this site.', unsaved: 'In the words as they stand on the left, filled in for whoever is named, or for you.' },
    simulated: 'Nothing leaves this house: messages arrive here, links included. With MAILER_DSN set to a mail server they go outside, and this page is gone.', emptyBox: 'Nothing has arrived yet. Messages are held for a moment first.'
  },
  words: {
    of: 'Words of', platform: 'the whole platform', own: 'own', kinds: 'Kinds of messages', subject: 'Subject', body: 'Text', names: 'Filled in for each:', linkStays: 'The link must stay in the text.', save: 'Save these words', forget: 'Go back to the others', drop: 'Drop my changes', preview: 'As it arrives', whose: 'Whose copy', example: 'Words of whoever sends it.', did: 'The words are saved. They hold for messages from now on.', forgotten: 'These words are forgotten; the next nearest are used.', notYours: 'Words of messages are changed by administrators, and for a site by its leads, from its messages.',
    name: { what: 'what was done', name: 'their name', given: 'what they are called', login: 'their login name', house: 'the name of this house', site: 'the title of the site', role: 'their role', until: '“ until” and a day, or nothing', by: 'who did it', words: 'words of whoever did it', division: 'their division', link: 'the link' }
  },
  facts: { title: 'Correct names and numbers', given: 'Given name', family: 'Family name', preferred: 'Preferred name', former: 'Former family name', level: 'Level', number: 'Number', email: 'E-mail', login: 'Login', name: 'Name', kind: 'Kind', division: 'Division', formerHint: 'still found by it', save: 'Save', did: '{name}: saved.' },
  notes: { title: 'Notes', write: 'A phone call, an agreement: for staff of their reach only', add: 'Write it down', did: 'The note is kept.', gone: 'The note is taken back.', takeBack: 'take it back', takeBackOf: 'Take back: {text}' },
  erase: {
    title: 'What is held about them', everything: 'Everything that is held about them, for them:', json: 'as JSON', csv: 'as CSV', open: 'Erase them…', taken: 'Everything held about {name} is saved as a file; that it was asked for is in the logbook.',
    forGood: 'This erases {name} for good. It cannot be undone.', goes: 'What goes: names, number, address, account, {labels} labels, {notes} notes, the words of {messages} messages, and what was typed or pasted about them.', stays: 'What stays, as “Erased person”: that somebody was in {sites} sites, and {entries} entries of logbooks.', type: 'Type {name} to go on:', now: 'Erase for good', did: 'They are erased.', sheet: 'Erasing cannot be undone.'
  },
  doubles: {
    title: 'Twice in the directory?', open: 'Twice in the directory?', more: 'People who are likely the same one, entered twice. Merging can be taken back.', none: 'Nobody seems to be there twice.', count: 'No pair | One pair | {n} pairs', noNumber: 'no number', noAddress: 'no address', sites: 'in no site | in one site | in {n} sites', merge: 'Look at them as one', two: 'They are two people', apart: 'They are two people, and are not shown together any more.',
    evidence: { 'same-address': 'the same address', 'same-name': 'the same name', 'name-of-before': 'the name of before', 'one-digit-off': 'numbers one digit apart', 'no-number': 'one has no number', 'same-level': 'the same level' }
  },
  merge: {
    title: 'Two who are one', more: 'One of the two stays and gets what the other has. What only one has is kept in any case.', stays: 'Stays', goes: 'Goes', turn: 'the other way round', division: 'Division', login: 'They sign in as {login}.', noLogin: 'Neither has an account.', closes: 'The account {login} is closed.', former: 'They are still found as {name}.', whichRole: 'Which role in {title}?', inSites: 'In their sites', nowhere: 'The one who goes is in no site.', apply: 'Make them one', undoable: 'This can be taken back.', did: '{name} is one person now.', back: 'Make two of them again', parted: 'They are two again.'
  },
  accounts: {
    open: 'Make accounts', title: 'Make accounts', more: 'Type one person after the other, or paste rows from a spreadsheet. Names, numbers, addresses, levels, divisions and kinds are told by their looks; a first row may name the columns. Whoever is in the directory already is recognised.',
    division: 'Division', kind: 'Kind', level: 'Level', unlessSaid: 'unless a row says otherwise', one: 'One person', add: 'Add to the rows', rows: 'Rows', placeholder: 'Noor Haddad;2041010;noor.haddad{\'@\'}example.org;7',
    sum: { ready: 'no account will be made | one account will be made | {n} accounts will be made', 'needs-choice': '… | one needs a choice | {n} need a choice', 'nothing-to-do': '… | one is known already | {n} are known already', refused: '… | one needs another look | {n} need another look' },
    whoIs: 'Who is {name}?', same: 'It is {name}', new: 'It is somebody new', again: 'choose again', login: 'signs in as', apply: 'Make no account | Make one account | Make {n} accounts', did: 'No account was made. | One account is made. | {n} accounts are made.',
    cards: '… | Sign-in card for the one without a password | Sign-in cards for the {n} without a password', made: { person: 'made', account: 'account made' }, back: 'Nothing was taken back. | One account is taken back. | {n} accounts are taken back.', willGo: 'No account can be taken back any more. | One account goes, with the person where they were new. | {n} accounts go, with the people where they were new.', backNow: 'Take nothing back | Take one back | Take {n} back',
    left: { 'not-yours': '{name}: making and taking back accounts of that division is not yours any more.',  'signed-in': '{name} has signed in and stays.', administers: '{name} administers something and stays.', 'in-use': '{name} is in a site, or has a note, and stays.' },
    note: {
      'missing-name': 'Write a given and a family name.', 'too-long-name': 'Shorten the name to 80 letters.', 'unknown-kind': 'There is no such kind: write learner, staff, guardian or outsider.', 'unknown-division': 'There is no such division. Write it as it is called here.', 'missing-division': 'Choose a division.', 'not-an-address': 'That is no e-mail address. Write it as name{\'@\'}example.org.', 'not-a-login': 'A login name has small letters, digits, dots and hyphens, three or more of them.', 'not-a-level': 'Levels go from 1 to 20.', 'not-a-learner': 'Only learners have a level. Leave it out, or say that this is a learner.', 'check-digit': 'The check digit of this number is wrong, so it is mistyped somewhere. Look at it again.', 'not-a-number': 'Numbers of such people are written otherwise; see Rules, Numbers.',
      'row-has-it': 'Row {row} has this {field} already. Two people cannot share it: correct one, or leave it out.', 'several-people': 'Number, address and login of this row are of different people. Look at it again.', taken: 'This {field} is somebody else’s. Correct it, or leave it out.', 'taken-elsewhere': 'Somebody outside your divisions has this {field}. Ask an administrator.', 'number-of-another': 'This number is of somebody of another name. If it is they, say so; if not, correct the number.', 'same-name': 'Somebody of this name is in the directory. Are they the same?', 'same-name-row': 'Row {row} has the same name, and no number tells the two apart.', 'has-account': 'They have an account already.', repeat: 'The same person as in row {row}.', 'known-person': 'in the directory already; gets an account', namesake: 'not the namesake in the directory: the number is another', 'not-yours-to-make': 'Not yours to make: tutors make learners for the divisions of their sites, administrators anybody of their divisions.', 'unknown-choice': 'Choose one of those shown.', stopped: 'Not made: the sheet was taken back before.', 'no-account-to-apply': 'Not made: the account of whoever applied it is closed.'
    }
  },
  people: {
    title: 'People', more: 'Everybody of your reach. Choose some, and let them into sites, out of them, or give them another role there.', find: 'Name, number or login', any: { kind: 'any kind', division: 'any division', level: 'any level' }, by: { kind: 'Kind', division: 'Division', level: 'Level', label: 'Label', site: 'In the site' }, label: 'label', inSite: 'who are in {title}', anywhere: 'wherever they are',
    count: 'Nobody | One person | {n} people', none: 'Nobody fits. Take a filter away, or type less.', chosen: '{n} chosen | One chosen | {n} chosen', all: 'choose all {n}', no: 'choose nobody', pick: 'Choose {name}', into: 'Into sites…', elsewhere: 'into other sites', oneElsewhere: 'Into other sites',
    sheet: { title: 'Nobody chosen | One person and their sites | {n} people and their sites', verb: 'What', verbs: { 'let-in': 'let in', 'take-out': 'take out', 'change-role': 'give another role' }, sites: 'Sites', addSite: 'Add a site', addHint: 'Title or short code', remove: 'Take {title} off the sheet', sure: 'Also those who would be more than learners', needsSite: 'Choose a site first.', lines: 'no lines | one line | {n} lines',
      sum: { ready: '… | one will change | {n} will change', nothing: '… | one is so already | {n} are so already', choice: '… | one needs a choice | {n} need a choice', cannot: '… | one cannot be | {n} cannot be' }, seats: '{title}: {after} of {seats} seats after', held: '{title}: {after} learners after', apply: 'Change nothing | Change one | Change {n}', did: 'Nothing was changed. | One change is made. | {n} changes are made.', role: 'Role', and: 'and {n} more' }
  },
  did: {
    asked: '{name} waits for approval as {role}.', 'let-in': '{name} is let in as {role}.', 'change-role': '{name} is now {role}.', 'take-out': '{name} is taken out.', 'bring-back': '{name} is back as {role}.', pause: '{name}: {outlook}', resume: '{name} is no longer paused.', 'change-dates': '{name}: {outlook}', 'keep-out': '{name} is kept out.', 'lift-keep-out': '{name} is no longer kept out.', 'lift-role': 'The role by hand of {name} is lifted: {role}.', 'lift-dates': 'The dates by hand of {name} are lifted.', nothing: 'Nothing to do: {name} is that already.'
  },
  card: {
    leadEnds: 'Yes, I want this: the site will have no lead from that day',
    work: '{done} of {of} pieces of work done', mean: ', mean mark {mean}', reserved: 'Only administrators take out or change what this door brought.', logbook: 'What happened to them here', letIn: 'Let in as {role}',
    close: 'Close', since: 'here since {day}', came: 'came {day}', lastSeen: 'last seen {day}', neverSeen: 'never seen here', changeRole: 'Change role', takeOut: 'Take out', bringBack: 'Bring back as {role}', leave: 'Leave this site', 
    ways: 'One way in | One way in | {n} ways in', by: 'by {name}', never: 'Not now', chooseRole: 'Which role instead?', was: 'was {role}', formerly: 'formerly {name}',
    changeDates: 'Change dates', pause: 'Pause', resume: 'Resume', keepOut: 'Keep out', liftKeepOut: 'Lift the keep-out', lift: 'Lift', byHandTitle: 'By hand', next: 'Next change on {day}: {what}.', nextIs: { enter: 'can enter as {role}', 'look-only': 'can look as {role}', no: 'cannot enter ({state})' }, would: 'would also: {also}', wouldNot: 'could no longer: {not}', nextNone: 'never here', bringsBack: 'Keep them out too?',
    hand: { role: 'Role {role} in place of what the ways in give', dates: 'Dates{from}{until} in place of those of the ways in', paused: 'Paused{from}{until}', 'kept-out': 'Kept out{from}{until}' }, handFrom: ' from {day}', handOpen: ' with no end',
    ask: {
      from: 'From', fromNow: 'empty: now', fromKeep: 'empty: as it is', until: 'Until and including', untilOpen: 'empty: with no end', note: 'Why (only for those who let people in)', days: 'days from today',
      length: 'How long', lengths: { day: 'until a day', days: 'for some days', term: 'to the end of {term}', open: 'to the end of the site' },
      sure: { pause: 'Pause {name}', 'change-dates': 'Set these dates', 'keep-out': 'Keep {name} out', 'take-out': 'Take {name} out' }, computing: 'Working out what follows…'
    },
    phase: { 'in-force': 'in force', upcoming: 'from {from}', waiting: 'not answered yet', ended: 'ended {until}', 'taken-out': 'taken out {until}' }, untilDay: 'until {until}', open: 'to the end of the site', section: 'section {name}'
  },
  door: { desk: 'at the desk', key: 'through {name}', invitation: 'through {name}', cohort: 'by the cohort {name}', feed: 'by the feed {name}', 'look-in': 'by {name}', plain: { desk: 'Desk', key: 'Key', invitation: 'Invitation', cohort: 'Cohort', feed: 'Feed', 'look-in': 'Look-in' } },
  reason: {
    staff: {
      'let-in': 'Can enter as {role}{until}{door}.', 'let-in-look': 'Can look as {role}, but not work here{until}{door}.', 'prepares-draft': 'Can enter as {role} and prepare: the site is a draft.', 'reads-closed': 'Can look as {role}: the site is closed.',
      'kept-out': 'Cannot enter: kept out{until}.', 'account-closed': 'Cannot enter: the account is closed since {at}.', 'never-here': 'Has never been let in here.', 'taken-out': 'Cannot enter: taken out on {at}.', ended: 'Cannot enter: the time here ended on {at}.',
      waiting: 'Cannot enter yet: waits for an answer, a yes or a seat.', 'waits-for-approval': 'Cannot enter yet: waits for approval by the administrators of their division.', upcoming: 'Cannot enter yet: starts on {from}.', paused: 'Cannot enter: paused{until}.', draft: 'Cannot enter yet: the site is a draft{opens}.', closed: 'Cannot enter: the site closed on {at}.', 'no-seat': 'All {seats} seats are held.'
    },
    you: {
      'let-in': 'You can enter{until}.', 'let-in-look': 'You can look, but not work here{until}.', 'prepares-draft': 'You can enter and prepare: it is a draft.', 'reads-closed': 'This site is closed. You can still read.',
      'kept-out': 'You cannot enter. Ask the leads of this site.', 'account-closed': 'Your account is closed.', 'never-here': 'You have not been let in.', 'taken-out': 'You were taken out on {at}. Ask your tutor if that is a mistake.', ended: 'Your time here ended on {at}.',
      waiting: 'You are waiting: for your own answer, for a yes, or for a seat.', 'waits-for-approval': 'Not yet: an administrator of your division has to approve it.', upcoming: 'You can enter from {from}.', paused: 'You are paused{until}. Your tutor can tell you more.', draft: 'Not open yet{opens}.', closed: 'This site closed on {at}.', 'no-seat': 'All seats are held.'
    },
    until: ' until {day}', opens: '; it opens on {day}', byDoor: ', {door}', also: 'Also: {what}'
  },
  outlook: { as: '{then}{state} as {role}{until}', bare: '{then}{state}{until}', then: 'then ', open: ' to the end of the site', none: 'Not in this site.' },
  sheet: {
    title: { pause: '… | Pause one person | Pause {n} people', resume: '… | Resume one person | Resume {n} people', 'change-dates': '… | Change the dates of one person | Change the dates of {n} people', 'change-role': '… | Change the role of one person | Change the role of {n} people', 'take-out': '… | Take one person out | Take {n} people out', 'keep-out': '… | Keep one person out | Keep {n} people out', 'bring-back': '… | Bring one person back | Bring {n} people back', 'lift-keep-out': '… | Lift one keep-out | Lift {n} keep-outs', label: '… | Label one person | Label {n} people', mend: '… | Mend it for one person | Mend it for {n} people' },
    apply: { pause: 'Pause nobody | Pause one | Pause {n}', resume: 'Resume nobody | Resume one | Resume {n}', 'change-dates': 'Change nothing | Set the dates of one | Set the dates of {n}', 'change-role': 'Change nothing | Change the role of one | Change the role of {n}', 'take-out': 'Take nobody out | Take one out | Take {n} out', 'keep-out': 'Keep nobody out | Keep one out | Keep {n} out', 'bring-back': 'Bring nobody back | Bring one back | Bring {n} back', 'lift-keep-out': 'Lift none | Lift one | Lift {n}', label: 'Change nobody | Change one | Change {n}', mend: 'Mend none | Mend one | Mend {n}' },
    did: { pause: 'Nobody was paused. | One person is paused. | {n} people are paused.', resume: 'Nobody was resumed. | One person is no longer paused. | {n} people are no longer paused.', 'change-dates': 'No dates were changed. | The dates of one person are changed. | The dates of {n} people are changed.', 'change-role': 'No role was changed. | One person has another role. | {n} people have another role.', 'take-out': 'Nobody was taken out. | One person is taken out. | {n} people are taken out.', 'keep-out': 'Nobody was kept out. | One person is kept out. | {n} people are kept out.', 'bring-back': 'Nobody was brought back. | One person is back. | {n} people are back.', 'lift-keep-out': 'No keep-out was lifted. | One person is no longer kept out. | {n} people are no longer kept out.', mend: 'Nothing was mended. | It is mended for one person. | It is mended for {n} people.' },
    ready: 'Nobody will change | One will change | {n} will change', cannot: '… | ; one cannot | ; {n} cannot', nothing: '… | One is so already. | {n} are so already.',
    leftOut: '… | One was left out. | {n} were left out.', many: 'This takes out {people} of the {here} people here. Type {people} to go on:',
    verdict: { ready: 'will', refused: 'cannot', 'waits-for-seat': 'no seat' },
    words: { 'change-role': 'change role', 'change-dates': 'change dates', pause: 'pause', resume: 'resume', 'take-out': 'take out', 'keep-out': 'keep out', 'bring-back': 'bring back', 'lift-keep-out': 'lift keep-out', label: 'label' },
    chosen: 'nobody chosen | one chosen | {n} chosen', all: 'choose all {n}', none: 'choose nobody', pick: 'Choose {name}'
  },
  strip: { label: 'Ways in over the term', today: 'today', next: 'next change', paused: 'paused', out: 'kept out' },
  change: {
    lift: 'Lifting the keep-out would let them in.', 'reopen-account': 'Opening the account again would change it.', 'let-in': 'Letting them in would change it.', 'bring-back': 'Bringing them back would change it.', answer: 'Their answer would change it.',
    'move-start': 'An earlier start would change it.', resume: 'Resuming would change it.', 'open-site': 'Opening the site would change it.', 'open-site-again': 'Opening the site again would change it.', 'more-seats': 'More seats, or one that is freed, would change it.', pause: 'A pause, or taking them out, would end it.', 'take-out': 'Taking them out would end it.', 'change-role': 'Another role would let them work here.', none: '', who: 'Can be done by: {who}.', administrator: 'an administrator'
  },
  note: {
    'already-so': 'It is so already.', 'already-here': 'They are here already.', 'here-as-other': 'They are here already, in another role. Change the role instead.', 'kept-out': 'They are kept out of this site. That has to be lifted first.', 'not-here': 'They are not here.', 'never-here': 'They have never been here. Let them in instead.',
    'not-paused': 'They are not paused.', 'not-kept-out': 'They are not kept out.', 'no-role-by-hand': 'No role was given by hand.', 'no-dates-by-hand': 'No dates were set by hand.', 'pause-outside': 'They are not here at that time, so there is nothing to pause. Choose other days.', 'pause-keeps': 'Their seat, work, section and groups stay.', 'beyond-term': 'That is beyond the term, which ends on {until}.',
    'dates-bring-role': 'A beginning set by hand is that of every way in, and this one would bring the role {role} with it. Leave the beginning as it is, or change the role by hand first.',
    'changed-since': 'Changed since by somebody else; look again.', gone: 'This person is in the directory no more.',
    'window-is-over': 'The last day is already over. Choose a later one.', 'no-seat': 'All {seats} seats are held. Give the site more seats, or take somebody out first.',
    'seat-until': 'From {at} on, all {seats} seats are held. Choose a last day before that, or give the site more seats.',
    'seat-later': 'A seat is free from {at} on; before that all {seats} are held. Choose that day as the first, or give the site more seats.', 'leads-full': 'The site has {limit} leads, and that is the most it may have.', 'last-lead': 'An open site needs a lead. Let another lead in first, or close the site.',
    'lead-ends': 'From {at} on the site would have no lead. Let another lead in first, or say that this is meant.', 'account-closed': 'Their account is closed, so they cannot enter yet.', 'work-stays': 'They lose entry at once. Section and groups stay. | They lose entry at once. One piece of work stays, as do section and groups. | They lose entry at once. {pieces} pieces of work stay, as do section and groups.', 'as-before': 'Role, dates, section and work are there again as they were.', reserved: 'The door {door} keeps this to itself: only administrators take out or change what it brought.', 'comes-back-through': 'The door {door} would bring them in again.', 'dates-were-over': 'Their dates were over on {until}; they come back to the end of the site.',
    'above-learner': 'That would be more than a learner, and nobody asked for it.', 'no-role-suggested': 'There is no role for them that you may give here. Choose one.', 'twice-on-sheet': 'On this sheet twice, to become two different things. Leave one out.', repeat: 'On this sheet already.', stopped: 'Not applied: the sheet was taken back before.', 'no-account-to-apply': 'Not applied: the account of whoever applied it is closed.', 'not-possible': '{detail}',
    'not-yours-to-do': 'You may not change who is in this site. Can be done by: {givers}.', 'not-yours-to-take': 'You may not take the role {role} from somebody. Can be done by: {givers}.', 'not-yours-to-give': 'Not yours to give. Can be given by: {givers}.', 'not-to-yourself': 'Nobody raises, lengthens or frees themselves. Can be done by: {givers}.', 'set-from-above': 'Somebody with a higher role or an administrator set this. Only they, or somebody as high, may lift it.', 'left-by-themselves': 'They left by themselves. Let them in again instead.', 'waits-for-approval': 'Waits for approval: the administrators of their division have to say yes.', 'not-yours-to-label': 'You have nothing to do with this person beyond this site, so their labels are not yours.', asked: '',
    'wrong-kind': 'Not for this kind of person ({kind}).', 'wrong-level': 'Learners may hold it at levels {lowest} to {highest} only.', cautioned: '{caution}', 'other-levels': 'Outside the site\'s division or levels.', 'no-such-role': 'This role does not exist any more.', fits: ''
  },
  landing: { leads: 'Led by', section: 'Your section', roster: 'Who is here', back: 'Sites I am in', as: 'You are here as {role}.', nothing: 'No lead is here at the moment.', leave: 'Leave this site', leaveSure: 'You lose entry at once; your work stays. To come back you need a key, or somebody who lets you in.', leaveYes: 'Leave it', leaveNo: 'Stay', left: 'You left {title}.', leftStill: 'What the key brought you is gone; something else still lets you into {title}.', asAdmin: 'You have no role in this site. As an administrator you can open its roster.' },
  doors: {
    title: 'Doors', loading: 'Fetching the doors…', empty: 'Nobody comes in here by themselves yet. Set up a door: a key to hand out, the list of sites, invitations, or a look-in.',
    new: 'Set up a door', kinds: { key: 'Key', list: 'List of sites', invitation: 'Invitations', 'look-in': 'Look-in' }, kindHint: { key: 'a key to read out, print or send', list: 'found in the list of sites, without a key', invitation: 'for those you name', 'look-in': 'to look without joining' },
    state: { open: 'open', ajar: 'ajar', shut: 'shut', 'not-yet': 'not open yet', over: 'over' },
    came: 'nobody came through | 1 came through | {n} came through', stillHere: '{n} here now', left: 'no seat left | 1 seat left | {n} seats left', waiting: '… | 1 waits | {n} wait', asking: '… | 1 asks | {n} ask', answered: '{n} of {of} answered',
    next: { opens: 'opens {day}', shuts: 'shuts after {day}', lapse: '… | 1 invitation lapses {day} | {n} invitations lapse {day}', today: 'today', tomorrow: 'tomorrow', none: 'changes nothing by itself' },
    act: { open: 'Open', shut: 'Shut', change: 'Change', copy: 'Make another like it', key: 'New key', poster: 'Poster', who: 'Who came through', invite: 'Invitations', out: 'Take out all who came through', watch: 'Watch them come in', link: 'Copy the text to hand on', look: 'See what they see' },
    sureKey: 'The key {key} stops at once.', sureKeyYes: 'Give it a new key', no: 'Not now', showKey: 'The key', lost: 'Cannot be shown any more; give it a new one.',
    did: { open: '{name} is open.', shut: '{name} is shut. Who came through stays.', made: '{name} is set up.', changed: '{name} is changed.', key: '{name} has a new key.', copied: 'Copied, to be pasted into a message.' },
    by: { desk: 'Let in by hand, on this site’s roster.', cohort: 'Brings whoever belongs to it.', feed: 'Brings whoever stands on it.', key: 'Came in before it was set up as a sentence.', invitation: 'Came in before it was set up as a sentence.', 'look-in': 'Not set up yet.' }, unbacked: 'It lets nobody in: the person who set it up may no longer give this role.', stand: 'Open it in your name', desk: 'The desk', reserved: 'Only administrators change what it brings.',
    chart: 'Arrivals until today: a bar a day, {most} at most | Arrivals until today: a bar for {n} days, {most} at most', renewAll: 'Renew keys of several sites', handOn: '{title}: go to {address}, or to {join} and type {key}.', changing: 'Changing {name}',
    reach: { could: 'Nobody could come through | One person could come through | {n} could come through', seats: '… | 1 seat | {n} seats', keptOut: 'nobody is kept out | 1 is kept out | {n} are kept out', here: 'nobody is here already | 1 is here already | {n} are here already' },
    weekday: { 1: 'Monday', 2: 'Tuesday', 3: 'Wednesday', 4: 'Thursday', 5: 'Friday', 6: 'Saturday', 7: 'Sunday' },
    say: {
      anyone: 'Anyone', from: 'from {divisions}', levels: 'at levels {lowest} to {highest}', domains: 'with an address at {domains}', withKey: 'with the key', withList: 'from the list of sites', invited: 'Whoever is invited', may: 'may join as {role}', mayAsk: 'may ask to join as {role}', look: 'may look in without joining', lookAnyone: 'Anyone, also without an account,', lookPeople: 'Everybody of the house',
      place: { none: '', fixed: 'into section {section}', emptiest: 'into the emptiest section', choice: 'into a section of their choice' }, hours: { from: 'from {day}', until: 'until {day}' }, seats: 'up to {n} people', stay: { site: 'and stays to the end of the site', term: 'and stays to the end of the term', day: 'and stays until {day}' },
      quietDays: 'whoever stays away {n} days frees the seat', quietMeetings: 'whoever misses {n} meetings frees the seat', accounts: 'who has no account makes one on the way', answer: 'an invitation holds for {n} days', remind: 'with a reminder after {n} days', holds: 'and keeps a seat', sees: 'and sees title, division, term{more}', shows: { leads: 'who leads it', sections: 'its sections', numbers: 'how many are in' }
    },
    write: {
      name: 'Name of the door', everybody: 'everybody', further: 'add a division', anyLevel: 'any level', levels: 'levels', to: 'to', domains: 'with an address at', domainsHint: 'any address, or such as example.org', withKey: 'with', made: 'a key that is made for it', chosen: 'a key of my own', keep: 'the key it has', key: 'Key of your own', keyHint: 'several words that have nothing to do with the site',
      may: 'may join as', place: { none: 'without a section,', fixed: 'into section', emptiest: 'into the emptiest section', choice: 'into a section of their choice' }, at: { once: 'at once,', yes: 'once somebody says yes,' }, from: 'from', now: 'now on', until: 'until', noEnd: 'no end', upTo: 'up to', asFit: 'as many as fit', people: 'people.', full: 'When seats are gone they', wait: 'may wait,', told: 'are told so.', hours: 'and a free seat is kept for the next', hoursUnit: 'hours (nights do not count).',
      stays: 'Whoever came stays', stay: { site: 'to the end of the site.', term: 'to the end of the term.', day: 'until' }, quiet: 'Whoever stays away', quietNever: 'keeps the seat.', quietDays: 'frees it after', quietMeetings: 'frees it after missing', daysUnit: 'days.', meetingsUnit: 'meetings, held on', quietHow: 'They are told first, by day, and have three days to come. Days between terms do not count.', accounts: 'Who has no account', accountsYes: 'makes one on the way.', accountsNo: 'asks for one.',
      answer: 'An invitation holds for', remind: 'days; who has not answered is reminded after', remindNever: 'never', days: 'days', holds: 'An open invitation', holdsYes: 'keeps a seat.', holdsNo: 'keeps no seat.', look: 'may look in without joining, and sees title, division, term', anyone: { yes: 'Anyone, also without an account', no: 'Everybody with an account' }, and: 'and', about: 'Words for those who come', aboutHint: 'shown before they join',
      make: 'Set it up', save: 'Save the sentence', cancel: 'Never mind'
    },
    line: { all: 'Show all {n}', title: 'Waiting for a seat', asking: 'Asking to join', none: 'Nobody waits.', place: '{n}.', kept: 'seat kept until {at}', up: 'Move to the front', why: 'Why?', yes: 'Yes', no: 'No', allYes: 'Yes to all {n}', since: 'since {at}', moved: 'moved up: {why}', words: 'Words to them (they are told)', did: { in: '{name} is in.', refused: '{name} is told no.', moved: '{name} is first in line.', 'waits-for-seat': '{name} waits for a seat.', other: '{name}: nothing done.' } },
    invite: {
      title: 'Invitations through {name}', box: 'Whom to invite', hint: 'addresses, names or numbers, one a line', words: 'Words of your own', wordsHint: 'go into the message; the link is always there', send: 'Nobody to invite yet | Invite one | Invite {n}', sent: 'Nobody was invited. | One invitation goes out in two minutes. | {n} invitations go out in two minutes.', again: 'Send again to the one not answered | Send again to all {n} not answered', didAgain: 'Nothing was sent. | Sent again to one. | Sent again to {n}.', forgotten: 'an address that is not kept any more', withdraw: 'Take back', didWithdraw: 'Nothing was taken back. | One invitation is taken back. | {n} invitations are taken back.', once: 'Send again',
      verdict: { ready: 'will be invited', choose: 'who is meant?', repeat: 'is on the list already', nobody: 'names nobody', unknown: 'nobody is called that, and it is no address', 'no-address': 'has no e-mail address; let them in by hand', malformed: 'is no address', invited: 'is invited already', 'kept-out': 'is kept out of this site', here: 'is here already', account: 'has no open account', role: 'may not hold this role' },
      state: { 'on-its-way': 'on its way', sent: 'sent', opened: 'opened', answered: 'answered', lapsed: 'lapsed', bounced: 'came back', withdrawn: 'taken back' }, until: 'holds until {day}', new: 'not in the directory', by: 'answered as {name}', none: 'Nobody is invited through this door yet.', times: 'sent {n} times', left: 'You may write to no address outside any more today. | You may write to 1 more address outside today. | You may write to {n} more addresses outside today.'
    },
    live: { title: 'Coming in', in: 'Nobody in yet | 1 in | {n} in', mistyping: 'nobody mistyping | 1 mistyping | {n} mistyping', approval: 'nobody asking | 1 asking | {n} asking', line: 'nobody in line | 1 in line | {n} in line', more: 'and one more | and one more | and {n} more', someone: 'Somebody not signed in', letIn: 'Let in', slip: { 'one-letter': 'one letter is wrong', order: 'two words are swapped', number: 'the number is wrong', 'some-word': 'a word is wrong' }, lastHour: 'In the last hour', showKey: 'Show the key large', back: 'All doors', none: 'Show the key large or hand it on. Whoever comes in stands here at once, and so does whoever mistypes.' },
    poster: { join: 'Join {title}', one: 'Go to', two: 'Type the key', three: 'Say who you are, and you are in', scan: 'or scan', print: 'Print', text: 'Text for a message', copy: 'Copy it', message: 'Join {title}: {link}\nOr go to {address} and type the key: {key}', until: 'The key works until {day}.' },
    renew: { title: 'Renew keys', more: 'The keys of before stop at once; the new ones work in the term you choose.', choose: 'Choose {name} of {title}', all: 'Choose all', term: 'For the term', from: 'from', until: 'until', go: 'Choose whose keys | Renew one key | Renew {n} keys', did: 'Nothing was renewed. | One key is renewed. | {n} keys are renewed.', none: 'None of your sites has a key door.', key: 'Key', site: 'Site', door: 'Door', state: 'Door is', print: 'Print the new keys' }
  },
  join: {
    title: 'Join a site', key: 'The key', hint: 'four words and a number; capitals, spaces and dashes do not matter', go: 'Go on', other: 'Another key', stand: 'You are about to join', as: 'as {role}', caution: '{caution}', until: 'This door is open until {day}.', opens: 'The site opens {day}; until then you see its title.',
    who: 'Who are you?', you: 'You are {name}.', notYou: 'Not you?', haveOne: 'I have an account', makeOne: 'I have none yet', given: 'Given name', family: 'Family name', level: 'Level', choose: 'Choose…', password: 'A password', section: 'Section', why: 'A line for whoever decides', whyHint: 'what you play, or why you ask',
    join: 'Join', ask: 'Ask to join', make: 'Make my account and join', makeAsk: 'Make my account and ask', wait: 'Wait for a seat', enter: 'Go to the site', mine: 'My sites', first: 'Set my password and join',
    full: 'All seats are taken. You would be number {n} in line; when one is free it is kept for you for a while.', alreadyWaiting: 'You are number {n} in line.', alreadyAsked: 'You asked already. You will see the answer among your sites.', already: 'You are in already.',
    done: { in: 'You are in.', already: 'You are in.', approval: 'You asked. Whoever decides sees it now.', line: 'You are number {n} in line.' }, login: 'You sign in with {login}. Write it down.', inSite: 'Welcome to {title}.',
    invitation: { title: 'You are invited', answered: 'This invitation was answered already. Whoever answered it signs in to go to the site.', none: 'This link is not complete. Open it as it was sent.', to: 'The invitation went to {address}.', forYou: 'It is for {name}.', asMe: 'Join as {name}', otherAccount: 'Sign in with another account', words: 'From whoever invites you:', new: 'Make an account for {address}' },
    closed: { shut: 'This door is shut at the moment.', 'not-yet': 'This door is not open yet. It opens {day}.', over: 'The time of this door is over.' }, helps: 'Who can help: {leads}.', next: { 'ask-lead': 'Show this page to whoever gave you the key.', 'come-back': 'Come back then; the key stays the same.', none: '' }, noAccount: 'This door makes no accounts. Ask whoever gave you the key for one.'
  },
  waits: { title: 'Waiting', quiet: 'You have not been here for a while. Go in before {at}, or your seat goes to somebody who waits.', seat: 'You are number {n} of {of} in line.', approval: 'You asked to join. Nobody has answered yet.', kept: 'A seat is kept for you until {at}.', take: 'Take the seat', leave: 'Wait no longer', did: { in: 'You are in {title}.', left: 'You wait no longer for {title}.' } },
  openDoors: { title: 'Sites to join', more: 'These take you without a key.', none: 'No site takes people without a key at the moment. With a key, go to Join.', join: 'Join', ask: 'Ask to join', asked: 'You asked; nobody has answered yet.', until: 'until {day}', withKey: 'I have a key', did: { in: 'You are in {title}.', already: 'You are in {title}.', approval: 'You asked to join {title}.', line: 'You are in line for {title}.' } },
  lookIn: { title: 'A look in', you: 'You look in without joining: you see {sees}. The work and the people in it stay inside, and nobody sees that you looked.', sees: { always: 'title, division and term', leads: 'who leads it', sections: 'its sections', numbers: 'how many are in' }, leads: 'Led by', sections: 'Sections', learners: 'nobody in yet | 1 in it | {n} in it', seats: '{n} of {of} seats', term: '{name}, {from} to {until}', join: 'Sites to join' },
  log: {
    title: 'Logbook', find: 'Names in it', any: 'any entry', from: 'from', until: 'until', none: 'No entry fits. Look for less.', compare: 'Compare two days', close: 'Close the comparison',
    between: 'Between the end of', and: 'and the end of', came: 'Nobody came | One came | {n} came', went: 'Nobody went | One went | {n} went', changed: 'Nobody changed | One changed | {n} changed', is: '{role}, {state}', csv: 'CSV file', empty: 'Nothing has happened here yet.', more: 'Show earlier', undone: 'undone', by: '{who}',
    'let-in': 'let {person} in as {after}', 'change-role': 'made {person} {after}, who was {before}', 'take-out': 'took {person} out, who was {before}', 'bring-back': 'brought {person} back as {after}', pause: 'paused {person}', resume: 'ended the pause of {person}', 'change-dates': 'changed the dates of {person}', 'keep-out': 'keeps {person} out', 'lift-keep-out': 'no longer keeps {person} out', 'lift-role': 'lifted the role by hand of {person}', 'lift-dates': 'lifted the dates by hand of {person}', undo: 'undid a change of {person}', 'undo-site': 'undid a change of the site',
    'come-in': '{person} came in as {after}', wait: '{person} waits at a door', invite: 'invited {person} as {after}', invited: 'invited one address through {name} | invited one address through {name} | invited {n} addresses through {name}', 'moved-up': 'moved {person} up in the line: {why}', leave: '{person} went again', lapse: 'ended the waiting of {person}', approve: 'said yes for {person}, who is in as {after}', decline: 'said no for {person}', release: 'gave the seat of {person} free after long absence', 'door-made': 'made the door {name}', 'door-changed': 'changed the door {name}', 'door-opened': 'opened the door {name}', 'door-shut': 'shut the door {name}', 'door-key-renewed': 'gave the door {name} a new key',
    'label-on': 'labelled {person} {label}', 'label-off': 'took the label {label} off {person}', 'label-many': '… | one person | {n} people', personTitle: 'What happened to {name}', here: 'in this site', everywhere: 'In all sites whose logbook you read', back: 'Back to the site', whole: 'the whole logbook', in: 'in {site}',
    'site-made': 'made the site', 'site-taken-back': 'took the site back', 'password-reset': 'gave {person} a new password', 'password-wanted': 'asked {person} for another password', 'password-link': 'sent {person} a link to set a password', 'account-made': 'made an account for {person}', 'account-taken-back': 'took the account of {person} back', 'person-changed': 'corrected names, number or address of {person}', 'person-exported': 'handed out what is held about {person}', 'person-erased': 'erased somebody', merged: 'made one person of two: {person}', unmerged: 'made {person} two people again', 'template-changed': 'changed the words of messages', 'account-opened': 'opened the account of {person}', 'account-closed': 'closed the account of {person}', 'sessions-ended': 'ended the sessions of {person}', 'site-changed': 'changed the site', 'site-open': 'opened the site', 'site-closed': 'closed the site', 'site-open-on': 'set the site to open on {day}', 'site-closed-on': 'set the site to close after {day}', 'site-draft': 'made the site a draft again', of: '({what})',
    verbs: { 'let-in': 'letting in', 'change-role': 'change of role', 'take-out': 'taking out', 'bring-back': 'bringing back', pause: 'pause', resume: 'end of a pause', 'change-dates': 'change of dates', 'keep-out': 'keeping out', 'lift-keep-out': 'lifting of a keep-out', 'lift-role': 'lifting of a role', 'lift-dates': 'lifting of dates', undo: 'an undoing', 'come-in': 'coming in', wait: 'waiting', invite: 'inviting', invited: 'addresses invited', 'moved-up': 'moving up in the line', leave: 'going again', lapse: 'end of waiting', approve: 'yes of the division', decline: 'no of the division', release: 'seats set free', 'door-made': 'door made', 'door-changed': 'door changed', 'door-opened': 'door opened', 'door-shut': 'door shut', 'door-key-renewed': 'new key', 'label-on': 'labelling', 'label-off': 'taking a label off', 'site-changed': 'settings', 'site-open': 'opening', 'site-closed': 'closing', 'site-draft': 'back to draft' }
  }
}
