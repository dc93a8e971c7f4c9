<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Doors\QuietRule;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Doors\Repository\DoorTries;
use MintDoor\Doors\Repository\QuietPeople;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Doors\Repository\StoredInvitations;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\Messages\SiteLetter;
use MintDoor\Messages\SiteLetters;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use MintDoor\Weeks\Meetings;
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
        private readonly WaitingPlaces $places,
        private readonly StoredInvitations $stored,
        private readonly SentenceDoors $doors,
        private readonly QuietPeople $quiet,
        private readonly DoorTries $tries,
        private readonly PlatformSettings $settings,
        private readonly EntityManagerInterface $entities,
        private readonly Transaction $transaction,
        private readonly WaitingListHandler $room,
        private readonly Invitations $invitations,
        private readonly DoorContextLoader $doorContexts,
        private readonly ChangeContextLoader $contextLoader,
        private readonly DoorLines $lines,
        private readonly SiteLetters $post,
        private readonly Gate $gate,
        private readonly CallerProvider $callers,
        private readonly PlatformClock $clock,
        private readonly Meetings $meetings,
        private readonly LoggerInterface $logger,
    ) {}

    /** @return array{offered: int, invitations: int, warned: int, released: int} */
    public function all(): array
    {
        // What was read the last time may be over by now.
        $this->entities->clear();
        $this->settings->reset();
        $now = $this->clock->instant();
        $done = ['offered' => 0, 'invitations' => 0, 'warned' => 0, 'released' => 0];
        foreach ($this->places->sites() as $site) {
            $done['offered'] += $this->safely(
                fn(): bool => $this->room->due($site),
                fn(): int => $this->room->offer($site),
                $site,
            );
        }
        foreach ($this->stored->dueSites($now) as $site) {
            $done['invitations'] += $this->safely(
                static fn(): bool => true,
                fn(): int => $this->invitations->tasks($this->access($site)),
                $site,
            );
        }
        $look = $now >= $this->quietAt + self::QUIET_EVERY;
        $this->quietAt = $look ? $now : $this->quietAt;
        foreach ($this->doors->withQuietRule() as $door) {
            $site = $door->site;
            $done['warned'] += $this->safely(
                fn(): bool => $look && [] !== $this->away($door, $this->access($site)),
                fn(): int => $this->warn($this->doors->anywhere($door->id)),
                $site,
            );
            $done['released'] += $this->safely(
                fn(): bool => [] !== $this->quiet->over($door->id, $this->clock->instant()),
                fn(): int => $this->release($this->doors->anywhere($door->id)),
                $site,
            );
        }
        $this->tries->dropBefore($now - self::TRIES_KEPT);

        return $done;
    }

    /** @return list<Row> who has been away too long and was not told yet; nobody at night or on a day off */
    private function away(SentenceDoor $door, SiteAccess $access): array
    {
        if (
            WakingHours::night($access->now, $access->zone())
            || !$this->counts($access)(
                (new \DateTimeImmutable('@'.$access->now))->setTimezone($access->zone())->format('Y-m-d'),
            )
        ) {
            return [];
        }
        $people = $this->quiet->unwarned($door->id, $access->now);
        $rule = $door->policy->quiet();
        $counts = $this->counts($access);
        $ids = array_map(static fn(Row $row): string => $row->id('person_id'), $people);
        $seen = array_map(static fn(Row $row): int => $row->instant('seen'), $people);
        $own = null === $rule->meetings || [] === $people
            ? null
            : $this->meetings->inSite($access->site->id, $ids, min([$access->now, ...$seen]));

        return array_values(
            array_filter(
                $people,
                static fn(Row $row): bool => ($rule->quietFrom(
                    $row->instant('seen'),
                    $access->zone(),
                    $counts,
                    $access->site->opensAt,
                    null === $own ? null : $own[$row->id('person_id')] ?? [],
                )
                    ?? Time::FOREVER)
                    <= $access->now,
            ),
        );
    }

    /** Whoever has been away too long is told; those who came since they were told are forgotten. */
    private function warn(SentenceDoor $door): int
    {
        $access = $this->access($door->site);
        $this->quiet->forgetSeen($access->site->id);
        $away = $this->away($door, $access);
        $off = $this->settings->offIn($access->site->division);
        $goes = QuietRule::releasedAt($access->now, $access->zone(), $off);
        $ids = array_map(static fn(Row $row): string => $row->id('person_id'), $away);
        $letters = [];
        foreach ([] === $ids ? [] : $this->contextLoader->people($ids) as $id => $person) {
            $this->quiet->warn($access->site->id, $id, $door->id, $access->now, $goes);
            $address = $person->stringOrNull('email');
            if (null !== $address) {
                $cause = 'quiet:'.$door->id.':'.$id.':'.$access->now;
                $letters[] = new SiteLetter($address, $person, $cause, until: $goes);
            }
        }
        $this->post->send(MessageKind::QuietWarning, $access, $door->policy->role, $letters, null, false);

        return \count($away);
    }

    /** Whoever was warned and did not come loses the seat. */
    private function release(SentenceDoor $door): int
    {
        $access = $this->access($door->site);
        if (WakingHours::night($access->now, $access->zone())) {
            return 0;
        }
        $released = 0;
        foreach ($this->quiet->over($door->id, $access->now) as $row) {
            $person = $row->id('person_id');
            $this->quiet->drop($access->site->id, $person);
            if (($row->instantOrNull('last_seen_at') ?? Time::BEGINNING) > $row->instant('warned_at')) {
                continue;
            }
            $line = $this->lines->goAgain(
                $this->doorContexts->at($door, $this->callers->anybody($person)),
                [$door->id],
                false,
                'release',
                $this->callers->anybody((string) $door->keeper()),
            );
            $released += (int) (Verdict::Ready === $line->verdict);
        }

        return $released;
    }

    /** @return \Closure(string): bool whether a day counts: none off, and none between the terms where there are any */
    private function counts(SiteAccess $access): \Closure
    {
        $terms = $this->settings->read()->termsOf($access->site->division);
        $off = $this->settings->offIn($access->site->division);

        return static fn(string $day): bool => !$off($day)
            && ([] === $terms
                || [] !== array_filter(
                    $terms,
                    static fn(Term $term): bool => $term->startsOn <= $day && $day <= $term->endsOn,
                ));
    }

    private function access(string $site): SiteAccess
    {
        return $this->gate->atDoor($site, Caller::nobody());
    }

    /**
     * One site that fails leaves the others alone.
     *
     * @param \Closure(): bool $due  looked at without a lock: what is done is decided again under it
     * @param \Closure(): int  $work
     */
    private function safely(\Closure $due, \Closure $work, string $site): int
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
}
