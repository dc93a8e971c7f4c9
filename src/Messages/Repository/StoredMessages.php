<?php

declare(strict_types=1);

namespace MintDoor\Messages\Repository;

use Doctrine\ORM\Query\Expr\Join;
use Doctrine\ORM\QueryBuilder;
use MintDoor\Core\Messages\Delivery;
use MintDoor\Core\Messages\MessageState;
use MintDoor\Messages\Entity\Message;
use MintDoor\Messages\MessageFilter;
use MintDoor\Messages\MessageView;
use MintDoor\Messages\Outgoing;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Repository\SeenSites;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Keeping;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Messages. Those who look at them get them from the ORM; by hand is what delivers them: thousands are queued at once,
 * and workers take them without waiting for each other (`bin/bench`: messages queued and delivered).
 *
 * @extends BaseRepository<Message>
 */
final class StoredMessages extends BaseRepository implements Forgets
{
    protected const ENTITY = Message::class;

    /** In the order of `MessageView`. */
    private const COLUMNS = <<<'DQL'
        m.id, m.kind, m.cause, m.address, m.changeListId, m.subject, m.body, m.state, m.tries, m.reason, m.madeAt,
        m.sentAt, m.dueAt,
        p.id, p.givenName, p.familyName, p.preferredName, p.email, p.gone,
        m.madeBy, b.givenName, b.familyName, b.preferredName,
        s.id, s.title
        DQL;

    /**
     * @param list<string> $roles  of those who may write to people of a site
     * @param ?string      $before id of the last one of the page before
     *
     * @return list<MessageView> that the caller may see, the last first
     */
    public function list(
        MessageFilter $filter,
        Caller $caller,
        array $roles,
        int $now,
        ?string $before,
        int $most,
    ): array {
        $query = $this->seenBy($caller, $roles, $now)->orderBy('m.id', 'DESC')->setMaxResults($most);
        foreach (['m.site' => $filter->site, 'm.changeListId' => $filter->changeList] as $field => $id) {
            $name = substr($field, 2);
            '' === $id || $query->andWhere("$field = :$name")->setParameter($name, $id, 'id');
        }
        '' === $filter->person
            || $query->andWhere('p.id = :person OR p.goneInto = :person')->setParameter(
                'person',
                $filter->person,
                'id'
            );
        '' === $filter->kind || $query->andWhere('m.kind = :kind')->setParameter('kind', $filter->kind);
        '' === $filter->state || $query->andWhere('m.state = :state')->setParameter('state', $filter->state);
        if ('' !== $filter->q) {
            $address = Sql::beginning(mb_strtolower(trim($filter->q)));
            $query->andWhere('m.address LIKE :address')->setParameter('address', $address);
        }
        null === $before || $query->andWhere('m.id < :before')->setParameter('before', $before, 'id');

        /** @var list<MessageView> */
        return $query->getQuery()->getResult();
    }

    /**
     * @param list<string> $ids
     * @param list<string> $roles of those who may write to people of a site
     *
     * @return list<MessageView> those of them that the caller may see
     */
    public function some(array $ids, Caller $caller, array $roles, int $now): array
    {
        /** @var list<MessageView> */
        return $this->seenBy($caller, $roles, $now)
            ->andWhere('m.id IN (:ids)')
            ->setParameter('ids', array_map(Id::binary(...), $ids), self::IDS)
            ->orderBy('m.id')
            ->getQuery()
            ->getResult();
    }

    /**
     * @param list<Outgoing> $messages of causes that were told before, nothing is added
     * @param ?string        $by       id of whoever made them
     * @param int            $wait     seconds until they are due
     */
    public function queue(array $messages, ?string $by, int $now, int $wait): void
    {
        $due = $this->row('SELECT UTC_TIMESTAMP() + INTERVAL ? SECOND AS due', [$wait])?->string('due');
        $rows = $this->bulk();
        foreach ($messages as $message) {
            $rows->add(
                'message',
                [
                    'id' => BulkWriter::id(self::newId()),
                    'cause' => $message->cause,
                    'kind' => $message->kind->value,
                    'person_id' => BulkWriter::id($message->person),
                    'address' => $message->address,
                    'site_id' => BulkWriter::id($message->site),
                    'change_list_id' => BulkWriter::id($message->changeList),
                    'position' => $message->position,
                    'line_id' => BulkWriter::id($message->line),
                    'invitation_id' => BulkWriter::id($message->invitation),
                    'subject' => mb_substr($message->letter->subject, 0, 400),
                    'body' => $message->letter->text,
                    'language' => $message->letter->language,
                    'division' => $message->letter->division,
                    'state' => MessageState::Held->value,
                    'made_by' => BulkWriter::id($by),
                    'made_at' => Instant::toSql($now),
                    'due_at' => $due,
                ],
                ignore: true,
            );
        }
        $rows->flush();
    }

    /**
     * Withdraws what is not on its way yet.
     *
     * @param 'id'|'line_id'|'change_list_id'|'invitation_id' $by  what the ids are of
     * @param non-empty-list<string>                          $ids
     *
     * @return int how many
     */
    public function withdraw(string $by, array $ids): int
    {
        return $this->execute(
            <<<SQL
                UPDATE message
                SET state = 'withdrawn', due_at = NULL
                WHERE $by IN (?) AND state IN ('held', 'delayed')
                SQL,
            [array_map(Id::binary(...), $ids)],
        );
    }

    /**
     * Messages that are due and that no other worker has in hand, locked until the transaction ends.
     *
     * @return list<Row> with `id`, `kind`, `cause`, `person_id`, `invitation_id`, `site_id`, `address`, `subject`,
     *     `body`, `language`, `division`, `tries`
     */
    public function due(int $most): array
    {
        return $this->rows(
            <<<SQL
                SELECT id, kind, cause, person_id, invitation_id, site_id, address, subject, body, language, division,
                    tries
                FROM message
                WHERE due_at <= UTC_TIMESTAMP()
                ORDER BY due_at, id
                LIMIT $most
                FOR UPDATE SKIP LOCKED
                SQL,
        );
    }

    /** Lets one that is due wait for so many seconds more, as if it were not due yet. */
    public function wait(string $id, int $seconds): void
    {
        $this->execute(
            'UPDATE message SET due_at = UTC_TIMESTAMP() + INTERVAL ? SECOND WHERE id = ?',
            [$seconds, Id::binary($id)],
        );
    }

    /** Whether something should have been sent a while ago. */
    public function late(): bool
    {
        $late = 'SELECT 1 FROM message WHERE due_at < UTC_TIMESTAMP() - INTERVAL 1 MINUTE LIMIT 1';

        return null !== $this->row($late);
    }

    /** Whether something is due now. */
    public function anyDue(): bool
    {
        return null !== $this->row('SELECT 1 FROM message WHERE due_at <= UTC_TIMESTAMP() LIMIT 1');
    }

    /** @param non-empty-list<string> $ids */
    public function arrived(array $ids, int $now): void
    {
        $this->execute(
            'UPDATE message
             SET state = ?, tries = tries + 1, reason = NULL, due_at = NULL, sent_at = ?
             WHERE id IN ('.Sql::ids($ids).')',
            [Delivery::arrived()->state->value, Instant::toSql($now)],
        );
    }

    /** @param string $words of the server */
    public function failed(string $id, Delivery $delivery, string $words): void
    {
        $again = MessageState::Delayed === $delivery->state ? $delivery->again : null;
        $this->execute(
            <<<'SQL'
                UPDATE message
                SET state = ?, tries = tries + 1, reason = ?, due_at = UTC_TIMESTAMP() + INTERVAL ? SECOND
                WHERE id = ?
                SQL,
            [$delivery->state->value, $words, $again, Id::binary($id)],
        );
    }

    /**
     * Runs something as one, where no transaction is running.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function atOnce(\Closure $work): mixed
    {
        return $this->connection()->transactional(static fn(): mixed => $work());
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE message
                SET address = '', subject = '', body = '', reason = NULL
                WHERE made_at < ? AND (body <> '' OR address <> '') AND due_at IS NULL
                SQL,
            [Instant::toSql($keeping->messagesFrom)],
        );
    }

    /** @param list<string> $roles of those who may write to people of a site */
    private function seenBy(Caller $caller, array $roles, int $now): QueryBuilder
    {
        $query = $this->createQueryBuilder('m')
            ->select(\sprintf('NEW %s(%s)', MessageView::class, self::COLUMNS))
            ->leftJoin('m.person', 'p')
            ->leftJoin(Person::class, 'b', Join::WITH, 'b.id = m.madeBy')
            ->leftJoin('m.site', 's');
        if ($caller->platformAdministrator) {
            return $query;
        }
        $query
            ->leftJoin('p.division', 'pd')
            ->leftJoin('s.division', 'sd');

        return SeenSites::narrow(
            $query,
            $caller,
            $roles,
            $now,
            'm.madeBy = :me',
            'sd.code IN (:divisions)',
            'm.site IS NULL AND pd.code IN (:divisions)',
        );
    }
}
