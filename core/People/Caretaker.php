<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** Who may look after whose account: nobody their own, nobody above themselves, nobody outside their reach. */
final readonly class Caretaker
{
    /**
     * @param bool         $platform  whether they administer the whole platform
     * @param list<string> $divisions codes of the divisions they administer
     */
    public function __construct(
        public string $personId,
        public bool $platform,
        public array $divisions,
    ) {
    }

    /** An account holds for every site, so that closing and opening it is for administrators. */
    public function mayClose(Person $whose): bool
    {
        return $this->platform || \in_array($whose->division, $this->divisions, true);
    }

    /**
     * Why they may not look after somebody's account; null when they may.
     *
     * @param bool $administers whether the other one administers anything
     * @param bool $inTheirSite whether the other one is in a site they let people into
     * @param bool $minor       whether the other one is a learner of a division of minors
     * @param bool $theyLead    whether the other one is in a site they lead
     *
     * @return 'own-account'|'administers'|'not-a-learner'|'out-of-reach'|'minor'|null
     */
    public function refusal(Person $whose, bool $administers, bool $inTheirSite, bool $minor = false, bool $theyLead = false): ?string
    {
        return match (true) {
            $whose->id === $this->personId => 'own-account',
            $this->platform => null,
            $administers => 'administers',
            \in_array($whose->division, $this->divisions, true) => null,
            PersonKind::Learner !== $whose->kind => 'not-a-learner',
            !$inTheirSite => 'out-of-reach',
            default => $minor && !$theyLead ? 'minor' : null,
        };
    }

    /**
     * Whether they may make somebody of a kind: administrators anybody of their divisions, those who let people in learners
     * of the divisions of their sites.
     *
     * @param list<string> $lettingInto codes of the divisions of sites they let people into
     */
    public function mayMake(PersonKind $kind, string $division, array $lettingInto): bool
    {
        return $this->platform || \in_array($division, $this->divisions, true) || (PersonKind::Learner === $kind && \in_array($division, $lettingInto, true));
    }

    /**
     * Why they may not erase somebody; null when they may. Only who left is erased.
     *
     * @param bool $here whether the other one is in some site, or will be
     * @param bool $gone whether the other one was merged or erased already
     *
     * @return 'own-account'|'administers'|'not-yours'|'still-here'|'gone'|null
     */
    public function mayNotErase(Person $whose, bool $administers, bool $here, bool $gone): ?string
    {
        return match (true) {
            $whose->id === $this->personId => 'own-account',
            !$this->mayClose($whose) => 'not-yours',
            $administers => 'administers',
            $gone => 'gone',
            default => $here ? 'still-here' : null,
        };
    }
}
