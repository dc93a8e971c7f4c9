<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\ReadyRoles;
use MintDoor\Core\Roles\ReadySet;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\SiteKind;
use MintDoor\Shared\Speech;

/** What a new platform calls its roles, its kinds of sites and its division, in the language that is spoken. */
final readonly class ReadyWords
{
    private const FIRST_KINDS = ['course', 'workshop', 'club'];

    public function __construct(private Speech $speech) {}

    /** @param list<string> $minors codes of the divisions whose learners are minors */
    public function roles(ReadySet $set, array $minors): RoleBook
    {
        $at = 'desk.ready.'.$set->value.'.';

        return ReadyRoles::book($set, fn(string $code): string => $this->speech->say($at.$code), $minors);
    }

    /** What holds until somebody chooses: the widest set of roles, and numbers of any form. */
    public function rules(): Rules
    {
        return new Rules(
            $this->roles(ReadySet::HigherEducation, []),
            [],
            new Limits(),
            [],
            siteKinds: array_map(
                fn(string $code): SiteKind => new SiteKind($code, $this->speech->say('desk.first-kind.'.$code)),
                self::FIRST_KINDS,
            ),
        );
    }

    public function division(): string
    {
        return $this->speech->say('desk.first-division');
    }
}
