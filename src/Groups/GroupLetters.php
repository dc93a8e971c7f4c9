<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Repository\GroupedPeople;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Messages\SiteLetter;
use MintDoor\Messages\SiteLetters;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use Psr\Log\LoggerInterface;

/**
 * Asks people to choose their groups when the time for it comes, and reminds those who have none a day before it is
 * over: not at night, and each once. By hand, whoever arranges groups may remind them again.
 */
final readonly class GroupLetters
{
    /** Seconds before the end at which the others are reminded, and how long after they were asked at least. */
    private const BEFORE = 86_400;

    private const AFTER = 6 * 3_600;

    /** Seconds between two reminders by hand. */
    private const APART = 3_600;

    public function __construct(
        private Splits $splits,
        private GroupPlaces $places,
        private GroupedPeople $people,
        private SiteLetters $letters,
        private Gate $gate,
        private Transaction $transaction,
        private PlatformClock $clock,
        private LoggerInterface $logger,
    ) {}

    /**
     * @return int about how many splits something was written
     *
     * @phpstan-impure
     */
    public function due(): int
    {
        $done = 0;
        foreach ($this->splits->asking($this->clock->instant()) as $split => $site) {
            try {
                $done += $this->transaction->job([$site], fn(): int => $this->about($site, (string) $split));
            } catch (\Throwable $thrown) {
                // One that fails leaves the others alone.
                $this->logger->error('Nobody was asked to choose a group.', ['site' => $site, 'exception' => $thrown]);
            }
        }

        return $done;
    }

    /** By hand; runs in a transaction, under the lock of the site. */
    public function remind(SiteAccess $access, GroupSplit $split): void
    {
        if (!$split->chooses($access->now)) {
            throw new Problem(ProblemType::NotReady, 'groups.not-open');
        }
        if (max((int) $split->remindedAt, (int) $split->askedAt) > $access->now - self::APART) {
            throw new Problem(ProblemType::NotReady, 'groups.reminded-just-now');
        }
        $split->remindedAt = $access->now;
        $this->ask($access, $split, $access->caller);
    }

    /**
     * Tells people into which groups they were put.
     *
     * @param array<string, string> $groups names of groups by person
     */
    public function put(SiteAccess $access, GroupSplit $split, array $groups): void
    {
        $words = array_map(static fn(string $group): string => "$split->name: $group", $groups);
        $this->send(MessageKind::Grouped, $access, $split, $words, Time::FOREVER, null);
    }

    private function about(string $site, string $id): int
    {
        $access = $this->gate->atDoor($site, Caller::nobody());
        $split = $this->splits->there($site, $id);
        if (null === $split || !$split->chooses($access->now) || WakingHours::night($access->now, $access->zone())) {
            return 0;
        }
        if (null === $split->askedAt) {
            $split->askedAt = $access->now;
        } elseif (
            null === $split->remindedAt
            && $split->closesAt <= $access->now + self::BEFORE
            && $split->askedAt <= $access->now - self::AFTER
        ) {
            $split->remindedAt = $access->now;
        } else {
            return 0;
        }
        $this->ask($access, $split, null);
        $this->splits->flush();

        return 1;
    }

    private function ask(SiteAccess $access, GroupSplit $split, ?Caller $by): void
    {
        $none = array_filter($this->places->of($split, $access->now), is_null(...));
        $words = array_map(static fn(): string => $split->name, $none);
        $this->send(MessageKind::Choosing, $access, $split, $words, (int) $split->closesAt, $by);
    }

    /** @param array<string, string> $words by person */
    private function send(
        MessageKind $kind,
        SiteAccess $access,
        GroupSplit $split,
        array $words,
        int $until,
        ?Caller $by,
    ): void {
        $letters = [];
        foreach ($this->people->of(array_map(strval(...), array_keys($words))) as $id => $row) {
            $address = $row->stringOrNull('email');
            if (null !== $address) {
                // What was asked for once more is another letter.
                $cause = "$kind->value:$split->id:$id:$split->askedAt:$split->remindedAt:$split->settledAt";
                $letters[] = new SiteLetter($address, $row, $cause, $words[$id], $until);
            }
        }
        $this->letters->send($kind, $access, '', $letters, $by, false);
    }
}
