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
     *
     * @return 'own-account'|'administers'|'not-a-learner'|'out-of-reach'|null
     */
    public function refusal(Person $whose, bool $administers, bool $inTheirSite): ?string
    {
        return match (true) {
            $whose->id === $this->personId => 'own-account',
            $this->platform => null,
            $administers => 'administers',
            \in_array($whose->division, $this->divisions, true) => null,
            PersonKind::Learner !== $whose->kind => 'not-a-learner',
            default => $inTheirSite ? null : 'out-of-reach',
        };
    }
}
