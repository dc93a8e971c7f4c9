<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Time\Time;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Written;

/** Messages about a site to some people: an invitation, a reminder, a seat that is kept, an answer, a warning. */
final readonly class SiteLetters
{
    public function __construct(
        private Messages $room,
        private Texts $texts,
        private MessageValues $values,
        private Roles $roles,
        private Divisions $divisions,
        private PlatformSettings $settings,
    ) {}

    /**
     * @param list<SiteLetter> $letters each to somebody
     * @param ?Caller $by   null where nobody does it by hand
     * @param bool    $held whether they wait for the time of an undo
     */
    public function send(
        MessageKind $kind,
        SiteAccess $access,
        string $role,
        array $letters,
        ?Caller $by,
        bool $held = true,
    ): void {
        $home = $this->divisions->withCode($access->site->division);
        $messages = $templates = [];
        foreach ($letters as $letter) {
            $person = $letter->person;
            // Whom the directory does not know is written to as the site's division is.
            $language = $person?->string('person_language') ?? ($home->language ?? '');
            $zone = new \DateTimeZone($person?->string('person_zone') ?? ($home->timeZone ?? 'UTC'));
            $template = $templates[$language] ??= $this->texts->nearest(
                $kind,
                $access->site->id,
                $access->site->division,
                $language,
            )->template;
            $name =
                null === $person
                    ? ['name' => $letter->address, 'given' => '', 'login' => '', 'platform' => $this->settings->name()]
                    : $this->values->ofPerson($person);
            $until = $letter->until >= Time::FOREVER ? '' : Written::dayAndTime($letter->until, $zone, $language);
            $filled = $template->fill([
                ...$name,
                'site' => $access->row->string('title'),
                'role' => mb_strtolower($this->roles->book()->find($role)->name ?? ''),
                'until' => $until,
                'by' => $by->name ?? $access->row->string('title'),
                'words' => $letter->words,
            ], $language);
            $messages[] = new Outgoing(
                $kind,
                $person?->id('person_id'),
                $letter->address,
                $filled,
                $letter->cause,
                $access->site->id,
                invitation: $letter->invitation,
            );
        }
        $this->room->queue($messages, $by?->id, $held);
    }
}
