<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Doors\QuietRule;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Psr\Log\LoggerInterface;

/**
 * What doors do by themselves. Each site is done in a transaction of its own, under its lock, from what is so
 * then: whoever comes second finds it done.
 */
final class ScheduledDoorTasks
{
    /** Seconds after which quiet people are looked for again; days are what counts. */
    private const QUIET_EVERY = 600;

    private int $quietAt = 0;

    /** Tries at a key are remembered for so long, in seconds. */
    private const TRIES_KEPT = 86_400;

    public function __construct(
        private readonly Connection $db,
        private readonly Transaction $transaction,
        private readonly WaitingListHandler $room,
        private readonly Invitations $invitations,
        private readonly DoorContextLoader $doorContexts,
        private readonly ChangeContextLoader $contextLoader,
        private readonly DoorLines $lines,
        private readonly DoorMessages $post,
        private readonly Gate $gate,
        private readonly CallerProvider $callers,
        private readonly PlatformClock $clock,
        private readonly LoggerInterface $logger,
    ) {}

    /** @return array{offered: int, invitations: int, warned: int, released: int} */
    public function all(): array
    {
        $now = Instant::toSql($this->clock->instant());
        $done = ['offered' => 0, 'invitations' => 0, 'warned' => 0, 'released' => 0];
        foreach ($this->sites("SELECT DISTINCT site_id FROM waiter WHERE waits = 1 AND what = 'seat'") as $site) {
            $done['offered'] += $this->safely(
                fn(): bool => $this->room->due($site),
                fn(): int => $this->room->offer($site),
                $site,
            );
        }
        foreach (
            $this->sites(
                <<<'SQL'
                    SELECT DISTINCT site_id
                    FROM invitation
                    WHERE unanswered = 1 AND lapses_at <= ?
                    UNION
                    SELECT DISTINCT site_id
                    FROM invitation
                    WHERE unanswered = 1 AND remind_at <= ?
                    SQL,
                [$now, $now],
            ) as $site
        ) {
            $done['invitations'] += $this->safely(
                static fn(): bool => true,
                fn(): int => $this->invitations->tasks($this->access($site)),
                $site,
            );
        }
        $look = $this->clock->instant() >= $this->quietAt + self::QUIET_EVERY;
        $this->quietAt = $look ? $this->clock->instant() : $this->quietAt;
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '
                        .Doors::COLUMNS
                        ." FROM door d WHERE d.terms IS NOT NULL AND d.kind = 'key' "
                            ."AND (JSON_VALUE(d.terms, '$.quietDays') IS NOT NULL OR JSON_VALUE(d.terms, "
                            ."'$.quietMeetings') IS NOT NULL)",
                ),
            ) as $door
        ) {
            $site = $door->id('site_id');
            $done['warned'] += $this->safely(
                fn(): bool => $look && [] !== $this->away($door, $this->access($site)),
                fn(): int => $this->warn($door),
                $site,
            );
            $done['released'] += $this->safely(
                fn(): bool => [] !== $this->warned($door),
                fn(): int => $this->release($door),
                $site,
            );
        }
        $this->db->executeStatement('DELETE FROM door_try WHERE at < ?', [
            Instant::toSql($this->clock->instant() - self::TRIES_KEPT),
        ]);

        return $done;
    }

    /** @return list<Row> who has been away too long and was not told yet; nobody at night or on a day off */
    private function away(Row $door, SiteAccess $access): array
    {
        if (
            WakingHours::night($access->now, $access->zone())
            || !$this->counts()(
                (new \DateTimeImmutable('@'.$access->now))->setTimezone($access->zone())->format('Y-m-d'),
            )
        ) {
            return [];
        }
        $at = Instant::toSql($access->now);
        $people = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT w.person_id, GREATEST(COALESCE(e.last_seen_at, w.given_at), w.given_at) AS seen
                    FROM access_grant w
                    JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id AND g.from_at <= ?
                        AND g.until_at > ? AND g.state = 'current'
                    JOIN enrollment e ON e.site_id = w.site_id AND e.person_id = w.person_id
                    LEFT JOIN quiet q ON q.site_id = w.site_id AND q.person_id = w.person_id
                    WHERE w.door_id = ? AND w.live = 1 AND q.person_id IS NULL
                    SQL,
                [$at, $at, Id::binary($door->id('id'))],
            ),
        );
        $rule = DoorTermsJson::of($door)->quiet();
        $counts = $this->counts();

        return array_values(
            array_filter(
                $people,
                static fn(Row $row): bool => ($rule->quietFrom(
                    $row->instant('seen'),
                    $access->zone(),
                    $counts,
                    $access->site->opensAt,
                )
                    ?? Time::FOREVER)
                    <= $access->now,
            ),
        );
    }

    /** Whoever has been away too long is told; those who came since they were told are forgotten. */
    private function warn(Row $door): int
    {
        $access = $this->access($door->id('site_id'));
        $terms = DoorTermsJson::of($door);
        $this->db->executeStatement(
            <<<'SQL'
                DELETE q
                FROM quiet q
                JOIN enrollment e ON e.site_id = q.site_id AND e.person_id = q.person_id
                WHERE q.site_id = ? AND e.last_seen_at > q.warned_at
                SQL,
            [Id::binary($access->site->id)],
        );
        $at = Instant::toSql($access->now);
        $away = $this->away($door, $access);
        $goes = QuietRule::releasedAt($access->now, $access->zone());
        $people =
            [] === $away
                ? []
                : $this->contextLoader->people(array_map(static fn(Row $row): string => $row->id('person_id'), $away));
        $letters = [];
        foreach ($people as $id => $person) {
            $this->db->executeStatement(
                'INSERT IGNORE INTO quiet (site_id, person_id, door_id, warned_at, goes_at) VALUES (?, ?, ?, ?, ?)',
                [
                    Id::binary($access->site->id),
                    Id::binary($id),
                    Id::binary($door->id('id')),
                    $at,
                    Instant::toSql($goes),
                ],
            );
            if (null !== $person->stringOrNull('email')) {
                $letters[] = [
                    'address' => $person->string('email'),
                    'person' => $person,
                    'cause' => 'quiet:'.$door->id('id').':'.$id.':'.$access->now,
                    'words' => '',
                    'until' => $goes,
                    'invitation' => null,
                ];
            }
        }
        $this->post->send(MessageKind::QuietWarning, $access, $terms->text('role'), $letters, null, false);

        return \count($away);
    }

    /** Whoever was warned and did not come loses the seat. */
    private function release(Row $door): int
    {
        $access = $this->access($door->id('site_id'));
        if (WakingHours::night($access->now, $access->zone())) {
            return 0;
        }
        $released = 0;
        foreach ($this->warned($door) as $row) {
            $this->db->executeStatement('DELETE FROM quiet WHERE site_id = ? AND person_id = ?', [
                Id::binary($access->site->id),
                Id::binary($row->id('person_id')),
            ]);
            if (($row->instantOrNull('last_seen_at') ?? Time::BEGINNING) > $row->instant('warned_at')) {
                continue;
            }
            $line = $this->lines->goAgain(
                $this->doorContexts->at($door, $this->callers->anybody($row->id('person_id'))),
                [$door->id('id')],
                false,
                'release',
                $this->callers->anybody($door->id('made_by')),
            );
            $released += (int) (Verdict::Ready === $line->verdict);
        }

        return $released;
    }

    /** @return list<Row> who was told so long ago that the seat is another's */
    private function warned(Row $door): array
    {
        return Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT q.person_id, q.warned_at, e.last_seen_at
                    FROM quiet q
                    JOIN enrollment e ON e.site_id = q.site_id AND e.person_id = q.person_id
                    WHERE q.door_id = ? AND q.goes_at <= ?
                    SQL,
                [Id::binary($door->id('id')), Instant::toSql($this->clock->instant())],
            ),
        );
    }

    /** @return callable(string): bool whether a day is of some term; what lies between terms are holidays */
    private function counts(): callable
    {
        $terms = array_map(
            static fn(Row $row): array => [$row->string('starts_on'), $row->string('ends_on')],
            Row::all($this->db->fetchAllAssociative('SELECT starts_on, ends_on FROM term')),
        );

        return static fn(string $day): bool => []
            !== array_filter($terms, static fn(array $term): bool => $term[0] <= $day && $day <= $term[1]);
    }

    private function access(string $site): SiteAccess
    {
        return $this->gate->atDoor($site, Caller::nobody());
    }

    /**
     * One site that fails leaves the others alone.
     *
     * @param callable(): bool $due  looked at without a lock: what is done is decided again under it
     * @param callable(): int  $work
     */
    private function safely(callable $due, callable $work, string $site): int
    {
        try {
            return $due() ? $this->transaction->job([$site], $work) : 0;
        } catch (\Throwable $thrown) {
            $this->logger->error('What was due at the doors of a site was not done.', [
                'site' => $site,
                'exception' => $thrown,
            ]);

            return 0;
        }
    }

    /**
     * @param list<string> $values
     *
     * @return list<string>
     */
    private function sites(string $sql, array $values = []): array
    {
        return array_map(
            static fn(mixed $id): string => Id::text(\is_string($id) ? $id : ''),
            $this->db->fetchFirstColumn($sql, $values),
        );
    }
}
