<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\History\History;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * Who waits at the doors of a site: answered by staff, or offered the seats that are free. Runs inside a transaction,
 * under the site's lock.
 */
final readonly class WaitingListHandler
{
    private const DOOR =
        'w.id AS waiter, w.person_id, w.what, w.section_id, w.offered_until, w.ahead, '.Doors::COLUMNS;

    public function __construct(
        private Connection $db,
        private DoorContextLoader $doorContexts,
        private DoorLines $lines,
        private DoorMessages $post,
        private CallerProvider $callers,
        private Gate $gate,
        private ChangeContextLoader $contextLoader,
        private Roles $roles,
        private History $history,
        private PlatformClock $clock,
    ) {}

    /**
     * Answers requests, or moves somebody up in the line.
     *
     * @param non-empty-list<int> $waiters
     * @param 'yes'|'no'|'up'     $answer
     *
     * @return list<array{id: int, name: string, done: bool, code: string}>
     */
    public function answer(SiteAccess $access, array $waiters, string $answer, string $why): array
    {
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .self::DOOR
                    .' FROM waiter w JOIN door d ON d.id = w.door_id WHERE w.site_id = ? AND w.waits = 1 '
                        .'AND w.id IN (?) ORDER BY w.id',
                [Id::binary($access->site->id), $waiters],
                [1 => ArrayParameterType::INTEGER],
            ),
        );
        if ([] === $rows) {
            throw Problem::notFound('This place in the line');
        }
        if ('up' === $answer && '' === trim($why)) {
            throw Problem::field('/why', 'why', 'Say why; it is written down.');
        }

        return array_map(function (Row $row) use ($access, $answer, $why): array {
            $at = $this->before($row);
            $code = match ($answer) {
                'up' => $this->moveUp($access, $row, $why),
                'no' => $this->refuse($access, $at, $why),
                default => $this->accept($access, $at, $why),
            };

            return [
                'id' => $row->int('waiter'),
                'name' => $at->person->string('preferred_name') ?: $at->person->string('given_name'),
                'done' => \in_array($code, ['in', 'refused', 'moved'], true),
                'code' => $code,
            ];
        }, $rows);
    }

    /**
     * Whether there is anything to do about the line of a site. Read without a lock: what is done is decided again
     * under it.
     */
    public function due(string $site): bool
    {
        return [] !== array_filter($this->plan($site));
    }

    /**
     * Offers the seats that are free to those who are next, and takes back offers that are over.
     *
     * @return int how many were offered
     */
    public function offer(string $site): int
    {
        ['closed' => $closed, 'over' => $over] = $this->plan($site);
        $access = $this->gate->atDoor($site, Caller::nobody());
        foreach ($closed as $row) {
            // Who came in another way, or was removed by hand, waits no more.
            $this->lines->close(
                $row->id('id'),
                $row->id('person_id'),
                true === State::tryFrom($row->string('segment'))?->here() ? 'in' : 'left',
                $access,
            );
        }
        foreach ($over as $row) {
            $at = $this->before($row);
            $this->lines->goAgain($at, [$row->id('id')], true, 'lapse', $this->callers->anybody($row->id('made_by')));
            $this->lines->close($row->id('id'), $row->id('person_id'), 'lapsed', $at->access);
        }
        $next = $this->plan($site)['next'];
        foreach ($next as $row) {
            $this->keepSeat($access, $row);
        }

        return \count($next);
    }

    /**
     * @return array{closed: list<Row>, over: list<Row>, next: list<Row>} who waits no more, whose offer is over, and to
     *     whom a seat is offered now
     */
    private function plan(string $site): array
    {
        $now = Instant::toSql($this->clock->instant());
        $rows = $closed = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '
                        .self::DOOR
                        .', g.state AS segment FROM waiter w JOIN door d ON d.id = w.door_id '
                            .'LEFT JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id '
                            .'AND g.from_at <= ? AND g.until_at > ? WHERE w.site_id = ? AND w.waits = 1 '
                            ."AND w.what = 'seat' ORDER BY w.ahead DESC, w.id",
                    [$now, $now, Id::binary($site)],
                ),
            ) as $row
        ) {
            State::Waiting->value === $row->string('segment')
                ? ($rows[$row->int('waiter')] = $row)
                : ($closed[] = $row);
        }
        if ([] === $rows) {
            return ['closed' => $closed, 'over' => [], 'next' => []];
        }
        $at = $this->before(reset($rows));
        $line = DoorContextLoader::lineOf(array_values($rows));
        $over = array_map(static fn(Waiter $waiter): Row => $rows[$waiter->arrival], $line->over($at->access->now));
        // For whoever stands there all kept seats but their own are taken; for the line as a whole all of them are.
        $own = $at->waiter?->instantOrNull('offered_until');
        $stay = array_map(
            static fn(Row $row): int => DoorTermsJson::of($row)->stays($at->access->site->termEnds),
            $rows,
        );
        $most = $at->context->seats->most($at->access->now, max($at->access->now + 1, ...array_values($stay)));
        $free =
            null === $at->access->site->seats
                ? null
                : $at->access->site->seats - $most - (int) (null !== $own && $own > $at->access->now);
        $doors = [];
        foreach ($rows as $row) {
            if (!\array_key_exists($row->id('id'), $doors)) {
                $seats = DoorTermsJson::of($row)->number('seats');
                $doors[$row->id('id')] =
                    null === $seats ? null : $seats - $this->doorContexts->through(
                        $row->id('id'),
                        Id::NONE,
                        $at->access
                    );
            }
        }

        return [
            'closed' => $closed,
            'over' => $over,
            'next' => array_map(static fn(Waiter $waiter): Row => $rows[$waiter->arrival], $line->next($free, $doors)),
        ];
    }

    private function keepSeat(SiteAccess $access, Row $row): void
    {
        $terms = DoorTermsJson::of($row);
        $until = WakingHours::after($access->now, 3_600 * ($terms->number('offerHours') ?? 14), $access->zone());
        $this->db->executeStatement("UPDATE waiter SET state = 'offered', offered_until = ? WHERE id = ?", [
            Instant::toSql($until),
            $row->int('waiter'),
        ]);
        $person = $this->contextLoader->people([$row->id('person_id')])[$row->id('person_id')];
        $address = $person->stringOrNull('email');
        if (null !== $address) {
            $this->post->send(
                MessageKind::SeatOffered,
                $access,
                $terms->text('role'),
                [
                    [
                        'address' => $address,
                        'person' => $person,
                        'cause' => 'offer:'.$row->int('waiter').':'.$until,
                        'words' => '',
                        'until' => $until,
                        'invitation' => null,
                    ],
                ],
                null,
                false,
            );
        }
    }

    private function before(Row $row): DoorContext
    {
        return $this->doorContexts->at($row, $this->callers->anybody($row->id('person_id')));
    }

    private function moveUp(SiteAccess $access, Row $row, string $why): string
    {
        $most = $this->db->fetchOne("SELECT MAX(ahead) FROM waiter WHERE site_id = ? AND waits = 1 AND what = 'seat'", [
            Id::binary($access->site->id),
        ]);
        $this->db->executeStatement('UPDATE waiter SET ahead = ?, moved_why = ? WHERE id = ?', [
            (is_numeric($most) ? (int) $most : 0) + 1,
            trim($why),
            $row->int('waiter'),
        ]);
        $this->history->write($access->site->id, $access->caller, [
            ['moved-up', ['why' => trim($why)], $row->id('person_id')],
        ]);

        return 'moved';
    }

    private function refuse(SiteAccess $access, DoorContext $at, string $why): string
    {
        $this->lines->goAgain($at, [$at->door->id('id')], true, 'lapse', $access->caller);
        $this->lines->close($at->door->id('id'), $at->person->id('person_id'), 'refused', $at->access, $access->caller);
        $this->tell($access, $at, '' === trim($why) ? 'The answer is no this time.' : trim($why));

        return 'refused';
    }

    /** Whoever says yes must be able to give the role by hand. */
    private function accept(SiteAccess $access, DoorContext $at, string $why): string
    {
        $verdict = $this->roles
            ->book()
            ->mayGive($at->terms->text('role'), $access->standing, $at->context->person, $access->site);
        if (!$verdict->allowed) {
            return $verdict->code;
        }
        $line = $this->lines->comeIn($at, $at->waiter?->idOrNull('section_id'), $access->caller);
        if (Verdict::WaitsForSeat === $line->verdict) {
            if ('approval' === $at->waiter?->string('what') && $at->terms->is('waiting')) {
                $this->db->executeStatement("UPDATE waiter SET what = 'seat' WHERE id = ?", [$at->waiter->int('id')]);

                return 'waits-for-seat';
            }

            return 'no-seat';
        }
        if (Verdict::Ready !== $line->verdict) {
            return $line->reasons[0]->code ?? 'already-so';
        }
        $this->tell($access, $at, '' === trim($why) ? 'The answer is yes: you are in.' : trim($why));

        return 'in';
    }

    private function tell(SiteAccess $access, DoorContext $at, string $words): void
    {
        $address = $at->person->stringOrNull('email');
        if (null !== $address) {
            $this->post->send(
                MessageKind::RequestAnswered,
                $access,
                $at->terms->text('role'),
                [
                    [
                        'address' => $address,
                        'person' => $at->person,
                        'cause' => 'answer:'.($at->waiter?->int('id') ?? 0),
                        'words' => $words,
                        'until' => Time::FOREVER,
                        'invitation' => null,
                    ],
                ],
                $access->caller,
                false,
            );
        }
    }
}
