<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Sites\Site;

/** What a list is for, and what is known beside the directory. */
final readonly class Circumstances
{
    /**
     * @param list<PersonKind>      $kinds      of people who are wanted; others are named as such and never taken by
     *     name
     * @param array<string, string> $remembered what a line said when somebody settled it here (`PastedLine::gist()`) =>
     *     person
     * @param array<string, bool>   $crowded    pairs of names with so many bearers that only those of the site's
     *     division were looked at; true where not even those all
     */
    public function __construct(
        public Site $site,
        public array $kinds = [PersonKind::Learner, PersonKind::Staff],
        public array $remembered = [],
        public array $crowded = [],
        public ?int $now = null,
    ) {}

    /** Whether the site is for somebody: their division, their level. */
    public function fit(Person $person): bool
    {
        $levels = $this->site->levels;

        return $this->wanted($person)
            && $person->division === $this->site->division
            && (null === $levels || (null !== $person->level && $levels->contains($person->level)));
    }

    /** Whether somebody's account is open, where it is known what time it is. */
    public function open(Person $person): bool
    {
        return null === $this->now || $person->accountOpen($this->now);
    }

    public function wanted(Person $person): bool
    {
        return \in_array($person->kind, $this->kinds, true);
    }
}
