<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/**
 * Who may look after whose account: nobody their own, nobody above themselves, and nobody by a tie they made for it. A
 * tie counts that is not of one's own making, or that has aged.
 */
final readonly class Caretaker
{
    private const HOUR = 3_600;

    /**
     * @param bool         $platform  whether they administer the whole platform
     * @param list<string> $divisions codes of the divisions they administer
     * @param int          $atHome    hours after which a tie of one's own making counts, within the division and levels
     * @param int          $beyond    the same beyond them
     */
    public function __construct(
        public string $personId,
        public bool $platform,
        public array $divisions,
        public int $atHome = 24,
        public int $beyond = 168,
    ) {}

    /** An account holds for every site, so that closing and opening it is for administrators. */
    public function mayClose(Person $whose): bool
    {
        return $this->platform || \in_array($whose->division, $this->divisions, true);
    }

    /** Making one person of two is for who administers the division of both. */
    public function mayMerge(Person $one, Person $other): bool
    {
        return $this->mayClose($one) && $this->mayClose($other);
    }

    /**
     * Whether they may look after somebody's account: card, link, sessions, page, notes, number, address, labels.
     *
     * @param bool      $administers whether the other one administers anything
     * @param bool      $minor       whether the other one is a learner of a division of minors
     * @param list<Tie> $ties        that hold now
     */
    public function care(Person $whose, bool $administers, bool $minor, array $ties, int $now): CareVerdict
    {
        return match (true) {
            $whose->id === $this->personId => CareVerdict::no('own-account'),
            $this->platform => CareVerdict::yes(),
            $administers => CareVerdict::no('administers'),
            \in_array($whose->division, $this->divisions, true) => CareVerdict::yes(),
            PersonKind::Learner !== $whose->kind => CareVerdict::no('not-a-learner'),
            default => $this->byTies($minor, $ties, $now),
        };
    }

    /**
     * Whether they may hand out the first card of an account: the class somebody has just let in needs cards today, and
     * nobody's sign-in is taken over by it.
     *
     * @param bool      $used whether anybody ever signed in with the account
     * @param list<Tie> $ties that hold now
     */
    public function card(Person $whose, bool $administers, bool $minor, array $ties, bool $used, int $now): CareVerdict
    {
        $verdict = $this->care($whose, $administers, $minor, $ties, $now);
        $atHome = array_filter(self::counting($minor, $ties), static fn(Tie $tie): bool => $tie->home);

        return 'own-making' === $verdict->refusal && !$used && [] !== $atHome ? CareVerdict::yes() : $verdict;
    }

    /**
     * Whether they may make somebody of a kind: administrators anybody of their divisions, those who let people in
     * learners of the divisions of their sites.
     *
     * @param list<string> $lettingInto codes of the divisions of sites they let people into
     */
    public function mayMake(PersonKind $kind, string $division, array $lettingInto): bool
    {
        return $this->platform
            || \in_array($division, $this->divisions, true)
            || (PersonKind::Learner === $kind && \in_array($division, $lettingInto, true));
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

    /** @param list<Tie> $ties */
    private function byTies(bool $minor, array $ties, int $now): CareVerdict
    {
        $counting = self::counting($minor, $ties);
        if ([] === $counting) {
            return CareVerdict::no([] === $ties ? 'out-of-reach' : 'minor');
        }
        $from = min(
            array_map(
                fn(Tie $tie): int => $tie->own
                    ? $tie->since + self::HOUR * ($tie->home ? $this->atHome : $this->beyond)
                    : $now,
                $counting,
            ),
        );

        return $from <= $now ? CareVerdict::yes() : CareVerdict::notYet($from);
    }

    /**
     * Learners who are minors are looked after by those who lead a site of theirs.
     *
     * @param list<Tie> $ties
     *
     * @return list<Tie>
     */
    private static function counting(bool $minor, array $ties): array
    {
        return array_values(array_filter($ties, static fn(Tie $tie): bool => !$minor || $tie->leads));
    }
}
