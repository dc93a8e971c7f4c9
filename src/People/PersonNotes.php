<?php

declare(strict_types=1);

namespace MintDoor\People;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * What staff wrote down about somebody. Seen by staff of their reach, taken back by who wrote it or an administrator.
 */
final readonly class PersonNotes
{
    private const MOST = 200;

    public function __construct(private Connection $db, private Ids $ids, private PlatformClock $clock) {}

    /**
     * @param non-empty-list<string> $people ids of somebody and those merged into them
     *
     * @return list<array<string, mixed>> schema `PersonNote`, the last first
     */
    public function of(array $people, bool $administers, Caller $caller): array
    {
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT n.id, n.text, n.made_at, n.made_by, p.given_name, p.family_name, p.preferred_name '
                    .'FROM person_note n JOIN person p ON p.id = n.made_by WHERE n.person_id IN (?) '
                    .'AND n.taken_back = 0 ORDER BY n.made_at DESC, n.id DESC LIMIT '
                    .self::MOST,
                [array_map(Id::binary(...), $people)],
                [ArrayParameterType::BINARY],
            ),
        );

        return array_map(
            static fn(Row $row): array => [
                'id' => $row->id('id'),
                'text' => $row->string('text'),
                'at' => Instant::toJson($row->instant('made_at')),
                'by' => ['id' => $row->id('made_by'), 'name' => PersonRow::name($row)],
                'mine' => $administers || $row->id('made_by') === $caller->id,
            ],
            $rows,
        );
    }

    public function write(string $person, string $text, Caller $caller): void
    {
        $rows = new BulkWriter($this->db);
        $rows->add('person_note', [
            'id' => BulkWriter::id($this->ids->next()),
            'person_id' => BulkWriter::id($person),
            'made_by' => BulkWriter::id($caller->id),
            'made_at' => Instant::toSql($this->clock->instant()),
            'text' => $text,
        ]);
        $rows->flush();
    }

    /**
     * Takes a note back, or puts it back.
     *
     * @param non-empty-list<string> $people ids of somebody and those merged into them
     */
    public function takeBack(array $people, string $note, bool $back, bool $administers, Caller $caller): void
    {
        $author = $this->db->fetchOne(
            'SELECT made_by FROM person_note WHERE id = ? AND person_id IN (?)',
            [Id::binary($note), array_map(Id::binary(...), $people)],
            [1 => ArrayParameterType::BINARY],
        );
        if (!\is_string($author)) {
            throw Problem::notFound('This note');
        }
        if (!$administers && Id::text($author) !== $caller->id) {
            throw Problem::notAllowed('Only who wrote a note takes it back, or an administrator.');
        }
        $this->db->executeStatement('UPDATE person_note SET taken_back = ? WHERE id = ?', [
            (int) $back,
            Id::binary($note),
        ]);
    }
}
