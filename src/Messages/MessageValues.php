<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Time\Time;
use MintDoor\People\PersonRow;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Row;
use MintDoor\Shared\Written;

/** Values for what stands between braces in a template. */
final readonly class MessageValues
{
    public function __construct(
        private Roles $roles,
        private PlatformSettings $settings,
    ) {}

    /**
     * @param ?string $language BCP 47; null for that of the person
     *
     * @return array<string, string> for messages about a site
     */
    public function ofSite(
        SiteAccess $access,
        Row $person,
        ?Segment $after,
        string $words,
        ?string $language = null,
    ): array {
        $language ??= $person->string('person_language');
        $role = $this->roles->book()->pick($after->roles ?? [])[0] ?? null;
        $until =
            null === $after || $after->window->until >= Time::FOREVER
                ? ''
                : Written::day($after->window->until - 1, $access->zone(), $language);

        return [
            ...$this->ofPerson($person),
            'site' => $access->row->string('title'),
            'role' => null === $role ? '' : mb_strtolower($role->name),
            'until' => $until,
            'by' => $access->caller->name,
            'words' => $words,
        ];
    }

    /** @return array<string, string> */
    public function welcome(Row $person, Caller $by, string $words): array
    {
        return [
            ...$this->ofPerson($person),
            'division' => $person->string('person_division_name'),
            'by' => $by->name,
            'words' => $words,
        ];
    }

    /** @return array<string, string> */
    public function ofPerson(Row $person): array
    {
        return [
            'name' => PersonRow::name($person),
            'given' => $person->stringOrNull('preferred_name') ?? $person->string('given_name'),
            'login' => $person->string('login'),
            'platform' => $this->settings->name(),
        ];
    }
}
