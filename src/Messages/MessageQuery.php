<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Where;

/**
 * Messages as staff see them: those they sent, those of sites where they write to people, and of the people of their
 * divisions.
 */
final readonly class MessageQuery
{
    private const PAGE = 60;

    private const SELECT = <<<'SQL'
        SELECT m.id, m.kind, m.cause, m.person_id, m.address, m.site_id, m.change_list_id, m.subject, m.body, m.state,
            m.tries, m.reason, m.made_at, m.sent_at, m.made_by,
            TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(3), m.due_at) AS waits, p.given_name, p.family_name, p.preferred_name,
            p.email, p.gone, b.given_name AS b_given_name, b.family_name AS b_family_name,
            b.preferred_name AS b_preferred_name, s.title
        FROM message m
        LEFT JOIN person p ON p.id = m.person_id
        LEFT JOIN person b ON b.id = m.made_by
        LEFT JOIN site s ON s.id = m.site_id
        SQL;

    public function __construct(private Connection $db, private Roles $roles, private PlatformClock $clock) {}

    /** @return array<string, mixed> schema `Messages` */
    public function list(MessageFilter $filter, Caller $caller): array
    {
        $where = $this->seenBy($caller);
        foreach (['m.site_id' => $filter->site, 'm.change_list_id' => $filter->changeList] as $column => $id) {
            '' === $id || $where->add($column.' = ?', Id::binary($id));
        }
        '' === $filter->person
            || $where->add(
                'm.person_id IN (SELECT w.id FROM person w WHERE w.id = ? OR w.gone_into = ?)',
                Id::binary($filter->person),
                Id::binary($filter->person),
            );
        '' === $filter->kind || $where->add('m.kind = ?', $filter->kind);
        '' === $filter->state || $where->add('m.state = ?', $filter->state);
        '' === $filter->q
            || $where->add('m.address LIKE ?', addcslashes(mb_strtolower(trim($filter->q)), '%_\\').'%');
        $cursor = Cursor::read($filter->cursor, 'messages', 'u');
        null === $cursor || $where->add('m.id < ?', Id::binary((string) $cursor->values[0]));
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                self::SELECT.' WHERE '.$where->sql().' ORDER BY m.id DESC LIMIT '.(self::PAGE + 1),
                $where->parameters,
                $where->types,
            ),
        );
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);

        return [
            'items' => array_map(self::json(...), $rows),
            'next' => $more ? Cursor::write('messages', [$rows[self::PAGE - 1]->id('id')]) : null,
        ];
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Row> of those the caller may see
     */
    public function some(array $ids, Caller $caller): array
    {
        $where = $this->seenBy($caller);
        $where->add('m.id IN (?)', array_map(Id::binary(...), $ids));

        return Row::all(
            $this->db->fetchAllAssociative(
                self::SELECT.' WHERE '.$where->sql().' ORDER BY m.id',
                $where->parameters,
                $where->types,
            ),
        );
    }

    private function seenBy(Caller $caller): Where
    {
        if ($caller->platformAdministrator) {
            return new Where();
        }
        $now = Instant::toSql($this->clock->instant());
        $divisions = $caller->divisions ?: [''];
        $any = (new Where())
            ->add('m.made_by = ?', Id::binary($caller->id))
            ->add(
                'm.site_id IN (SELECT g.site_id FROM enrollment_segment g WHERE g.person_id = ? AND g.from_at <= ? '
                    ."AND g.until_at > ? AND g.state = 'current' AND g.role IN (?))",
                Id::binary($caller->id),
                $now,
                $now,
                $this->roles->book()->holdersOf(Permission::WriteToPeople) ?: [''],
            )
            ->add(
                'm.site_id IN (SELECT x.id FROM site x JOIN division d ON d.id = x.division_id WHERE d.code IN (?))',
                $divisions,
            )
            ->add('(m.site_id IS NULL AND p.division_id IN (SELECT id FROM division WHERE code IN (?)))', $divisions);

        return $any->wrapped(' OR ');
    }

    /** @return array<string, mixed> schema `Message` */
    public static function json(Row $row): array
    {
        $by = null === $row->idOrNull('made_by') ? null : PersonRow::name($row, 'b_');
        $waits = $row->intOrNull('waits');

        return [
            'id' => $row->id('id'),
            'kind' => $row->string('kind'),
            'state' => $row->string('state'),
            'person' =>
                null === $row->idOrNull('person_id')
                    ? null
                    : ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
            'to' => $row->string('address'),
            'site' =>
                null === $row->stringOrNull('title')
                    ? null
                    : ['id' => $row->id('site_id'), 'title' => $row->string('title')],
            'changeList' => $row->idOrNull('change_list_id'),
            'subject' => $row->string('subject'),
            'text' => str_replace(
                Letter::LINK,
                MessageKind::from($row->string('kind'))->linkIsSecret()
                    ? '(a link for them alone)'
                    : '(link to the site)',
                $row->string('body'),
            ),
            'madeAt' => Instant::toJson($row->instant('made_at')),
            'sentAt' => null === $row->instantOrNull('sent_at') ? null : Instant::toJson($row->instant('sent_at')),
            'by' => $by,
            'tries' => $row->int('tries'),
            'reason' => $row->stringOrNull('reason'),
            'waits' => null === $waits ? null : max(0, $waits),
        ];
    }
}
