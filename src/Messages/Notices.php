<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/**
 * What others did to somebody's account is told to them: by mail where there is an address, and at their next sign-in
 * always. Runs inside the transaction of what it tells of.
 */
final readonly class Notices
{
    /** What the message says; the screen has its own sentences. */
    private const SENTENCES = [
        'card' => '{by} made a sign-in card with a new password for you. The password you had opens nothing any more.',
        'password-link' => '{by} had a link sent to you with which a new password is set.',
        'password-set' => 'A new password was set for your account.',
        'password-wanted' => '{by} asked that you choose another password when you sign in next.',
        'sessions-ended' => '{by} signed you out everywhere.',
        'facts' => '{by} changed what the directory says of you: {fields}.',
        'login' => 'You sign in as {login} from now on: {by} found you twice in the directory and made one of the two.',
        'account-closed' => '{by} closed your account.',
        'account-opened' => '{by} opened your account again.',
        'let-in-outside' =>
            '{by} let you into {site}. You may leave it by yourself whenever you like: enter it and choose “Leave '
                .'this site”.',
    ];

    private const SHOWN = 20;

    public function __construct(
        private Connection $db,
        private PlatformClock $clock,
        private Ids $ids,
        private Messages $room,
        private MessageValues $values,
        private Texts $texts,
    ) {}

    /**
     * @param list<array{0: Row, 1: string, 2?: array<string, string>, 3?: string}> $told whom
     *     (with `PersonRow::COLUMNS`), what (a key of `SENTENCES`), values, and an address in place of theirs
     */
    public function tell(array $told, Caller $by): void
    {
        $rows = new BulkWriter($this->db);
        $messages = [];
        foreach ($told as $one) {
            [$person, $code] = $one;
            $values = $one[2] ?? [];
            $id = $this->ids->next();
            if (!isset($one[3])) {
                $rows->add('notice', [
                    'id' => BulkWriter::id($id),
                    'person_id' => BulkWriter::id($person->id('person_id')),
                    'code' => $code,
                    'data' => json_encode((object) $values, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                    'by_id' => BulkWriter::id($by->id),
                    'at' => Instant::toSql($this->clock->instant()),
                ]);
            }
            $address = $one[3] ?? $person->stringOrNull('email');
            if (null !== $address) {
                $messages[] = $this->message($person, $address, $code, $values, $id, $by);
            }
        }
        $rows->flush();
        // An undo takes back what was done, not that it was: nothing withdraws these.
        $this->room->queue($messages, $by->id, held: false);
    }

    /** @return list<array<string, mixed>> schema `Notice`: what somebody was not shown yet, the last first */
    public function unseen(Caller $caller): array
    {
        return array_map(
            static fn(Row $row): array => [
                'id' => $row->id('id'),
                'code' => $row->string('code'),
                'values' => (object) $row->json('data'),
                'by' => null === $row->stringOrNull('family_name') ? '' : PersonRow::name($row),
                'at' => Instant::toJson($row->instant('at')),
            ],
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT n.id, n.code, n.data, n.at, p.given_name, p.family_name, p.preferred_name
             FROM notice n LEFT JOIN person p ON p.id = n.by_id
             WHERE n.person_id = ? AND n.seen_at IS NULL ORDER BY n.id DESC LIMIT '.self::SHOWN,
                    [Id::binary($caller->id)],
                ),
            ),
        );
    }

    /** @param list<string> $ids */
    public function seen(array $ids, Caller $caller): void
    {
        $this->db->executeStatement(
            'UPDATE notice SET seen_at = ? WHERE person_id = ? AND id IN (?)',
            [Instant::toSql($this->clock->instant()), Id::binary($caller->id), array_map(Id::binary(...), $ids)],
            [2 => ArrayParameterType::BINARY],
        );
    }

    /** @param array<string, string> $values */
    private function message(
        Row $person,
        string $address,
        string $code,
        array $values,
        string $id,
        Caller $by,
    ): Outgoing {
        $values = ['by' => $by->name, 'login' => $person->string('login'), ...$values];
        $what = (string) preg_replace_callback(
            '/\{([a-z]+)\}/',
            static fn(array $found): string => $values[$found[1]] ?? '',
            self::SENTENCES[$code] ?? '',
        );
        $division = $person->string('person_division');
        $letter = $this->texts
            ->nearest(MessageKind::AccountChanged, null, $division)[0]
            ->fill([
                ...$this->values->ofPerson($person),
                'what' => $what,
                'by' => $by->name,
                'division' => $person->string('person_division_name'),
            ]);

        return new Outgoing(MessageKind::AccountChanged, $person->id('person_id'), $address, $letter, 'notice:'.$id);
    }
}
