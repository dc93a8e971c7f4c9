<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Time\Time;
use MintDoor\Messages\Messages;
use MintDoor\Messages\MessageValues;
use MintDoor\Messages\Outgoing;
use MintDoor\Messages\Texts;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Messages about doors: an invitation, a reminder, a seat that is kept, an answer, a warning. */
final readonly class DoorMessages
{
    public function __construct(
        private Messages $room,
        private Texts $texts,
        private MessageValues $values,
        private Roles $roles,
        #[Autowire('%env(MINT_DOOR_NAME)%')] private string $platform,
    ) {}

    /**
     * @param list<DoorLetter> $letters each to somebody
     * @param ?Caller $by   null where the door does it by itself
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
        $template = $this->texts->nearest($kind, $access->site->id, $access->site->division)->template;
        $messages = [];
        foreach ($letters as $letter) {
            $person = $letter->person;
            $name =
                null === $person
                    ? ['name' => $letter->address, 'given' => '', 'login' => '', 'platform' => $this->platform]
                    : $this->values->ofPerson($person);
            $until =
                $letter->until >= Time::FOREVER
                    ? ''
                    : ' until '
                        .(new \DateTimeImmutable('@'.$letter->until))
                            ->setTimezone($access->zone())
                            ->format('j F, H:i');
            $filled = $template->fill([
                ...$name,
                'site' => $access->row->string('title'),
                'role' => mb_strtolower($this->roles->book()->find($role)->name ?? ''),
                'until' => $until,
                'by' => $by->name ?? $access->row->string('title'),
                'words' => $letter->words,
            ]);
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
