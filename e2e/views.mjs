/** Who looks at a main view, and where it is. */
export function views({ site, learner }) {
  return [
    [null, '/sign-in'],
    [null, '/join'],
    ['learner', '/'],
    ['learner', '/sites/in'],
    ['learner', '/sites/open'],
    ['learner', '/week'],
    ['learner', '/wishes'],
    ['learner', `/sites/${site}/items`],
    ['tutor', '/'],
    ['tutor', '/sites/run'],
    ['tutor', `/sites/${site}`],
    ['tutor', `/sites/${site}?days=1`],
    ['tutor', `/sites/${site}/sections`],
    ['tutor', `/sites/${site}/week`],
    ['tutor', `/sites/${site}/plan`],
    ['tutor', `/sites/${site}/items`],
    ['tutor', `/sites/${site}/doors`],
    ['tutor', `/sites/${site}/cohorts`],
    ['tutor', `/sites/${site}/first-day-check`],
    ['tutor', `/sites/${site}/history`],
    ['tutor', `/sites/${site}/settings`],
    ['tutor', '/people'],
    ['tutor', `/people/${learner}`],
    ['tutor', '/changes'],
    ['tutor', '/messages'],
    ['tutor', '/access-check'],
    ['administrator', '/'],
    ['administrator', '/rules/roles'],
    ['administrator', '/rules/table'],
    ['administrator', '/platform/divisions'],
    ['administrator', '/people/duplicates'],
    ['administrator', '/cohorts'],
    ['administrator', '/security-log'],
  ]
}

/** By which logins of the demo they are signed in. */
export const LOGINS = { tutor: 'mara.lindqvist', administrator: 'ingrid.solheim', learner: 'elias.nordahl' }
