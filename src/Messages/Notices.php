<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Messages\Entity\Notice;
use MintDoor\Messages\Repository\NoticeRecords;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;

/**
 * What others did to somebody's account is told to them: by mail where there is an address, and at their next sign-in
 * always. Runs inside the transaction of what it tells of.
 */
final readonly class Notices
{
    private const SHOWN = 20;

    public function __construct(
        private NoticeRecords $notices,
        private PlatformClock $clock,
        private Ids $ids,
        private Messages $room,
        private MessageValues $values,
        private Texts $texts,
        private Speech $speech,
    ) {}

    /** @param list<AccountNews> $news */
    public function tell(array $news, Caller $by): void
    {
        $messages = [];
        foreach ($news as $one) {
            $id = null === $one->address
                ? $this->notices->keep(
                    $one->person->id('person_id'),
                    $one->code,
                    $one->values,
                    $this->clock->instant(),
                    Id::NONE === $by->id ? null : $by->id,
                )
                : $this->ids->next();
            $address = $one->address ?? $one->person->stringOrNull('email');
            if (null !== $address) {
                $messages[] = $this->message($one, $address, $id, $by);
            }
        }
        $this->notices->flush();
        // An undo takes back what was done, not that it was: nothing withdraws these.
        $this->room->queue($messages, $by->id, held: false);
    }

    /** @return list<NoticeShown> what somebody was not shown yet, the last first */
    public function unseen(Caller $caller): array
    {
        return array_map(
            static fn(Notice $notice): NoticeShown => new NoticeShown(
                $notice->id,
                $notice->code,
                (object) $notice->data,
                $notice->by?->name() ?? '',
                Instant::toJson($notice->at),
            ),
            $this->notices->unseen($caller->id, self::SHOWN),
        );
    }

    /** @param list<string> $ids */
    public function seen(array $ids, Caller $caller): void
    {
        $this->notices->seen($ids, $caller->id, $this->clock->instant());
    }

    private function message(AccountNews $news, string $address, string $id, Caller $by): Outgoing
    {
        $person = $news->person;
        $values = ['by' => $by->name, 'login' => $person->string('login'), ...$news->values];
        $language = $person->string('person_language');
        $what = $this->speech->say(new Said('messages.notice.'.$news->code, $values), $language);
        $division = $person->string('person_division');
        $letter = $this->texts
            ->nearest(MessageKind::AccountChanged, null, $division, $language)->template
            ->fill([
                ...$this->values->ofPerson($person),
                'what' => $what,
                'by' => $by->name,
                'division' => $person->string('person_division_name'),
            ], $language);

        return new Outgoing(MessageKind::AccountChanged, $person->id('person_id'), $address, $letter, 'notice:'.$id);
    }
}
