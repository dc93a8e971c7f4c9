<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Messages\Messages;
use MintDoor\Messages\MessageValues;
use MintDoor\Messages\Outgoing;
use MintDoor\Messages\Texts;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Row;

/** Tells people of their accounts: that there is one, and where a password for it is set. */
final readonly class AccountNotifier
{
    public function __construct(private Messages $room, private Texts $texts, private MessageValues $values) {}

    /**
     * Of new accounts.
     *
     * @param list<array{person: Row, position: int}> $made
     */
    public function accounts(array $made, string $changeList, ?string $words, Caller $by): void
    {
        $messages = $templates = [];
        foreach (null === $words ? [] : $made as ['person' => $person, 'position' => $position]) {
            $address = $person->stringOrNull('email');
            if (null !== $address) {
                [$division, $language] = [$person->string('person_division'), $person->string('person_language')];
                $template = $templates[$division][$language] ??= $this->texts->nearest(
                    MessageKind::Welcome,
                    null,
                    $division,
                    $language,
                )->template;
                $messages[] = new Outgoing(
                    MessageKind::Welcome,
                    $person->id('person_id'),
                    $address,
                    $template->fill($this->values->welcome($person, $by, (string) $words), $language),
                    'account:'.$person->id('person_id'),
                    changeList: $changeList,
                    position: $position,
                );
            }
        }
        $this->room->queue($messages, $by->id);
    }

    /** Of one new account, at once. */
    public function welcome(Row $person, string $cause, Caller $by): void
    {
        $address = $person->stringOrNull('email');
        if (null === $address) {
            return;
        }
        [$division, $language] = [$person->string('person_division'), $person->string('person_language')];
        $template = $this->texts->nearest(MessageKind::Welcome, null, $division, $language)->template;
        $letter = $template->fill($this->values->welcome($person, $by, ''), $language);
        $this->room->queue(
            [new Outgoing(MessageKind::Welcome, $person->id('person_id'), $address, $letter, $cause)],
            $by->id,
        );
    }

    /** A link to set a password, at once. */
    public function password(Row $person, string $cause, ?string $by): void
    {
        $language = $person->string('person_language');
        $this->room->queue(
            [
                new Outgoing(
                    MessageKind::Password,
                    $person->id('person_id'),
                    $person->string('email'),
                    $this->texts
                        ->nearest(MessageKind::Password, null, $person->string('person_division'), $language)->template
                        ->fill($this->values->ofPerson($person), $language),
                    $cause,
                ),
            ],
            $by,
            held: false,
        );
    }
}
