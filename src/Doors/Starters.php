<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\Starter;
use MintDoor\Doors\Entity\StarterDoor;
use MintDoor\Doors\Repository\StarterDoors;
use MintDoor\People\Repository\People;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Ids;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Repository\Sites;
use Psr\Log\LoggerInterface;

/**
 * Keeps starter sites in step with the people of divisions: whoever belongs there is brought, whoever no longer does
 * goes. Each batch is a transaction of its own, under the site's lock; may run twice, and on several machines.
 */
final class Starters
{
    /** Batches of one door, one after the other, before other doors have their turn. */
    private const IN_A_ROW = 10;

    /** More people than this are not counted before starters are put in force. */
    private const MOST = 200_000;

    /** Those for whom there was no seat, or whom a law kept out, are tried again after so many seconds. */
    private const TRY_AGAIN = 300;

    /** Of its time, a door's people are looked for one part in so many: whole divisions take a while. */
    private const REST = 20;

    /** @var array<string, float> when a door's people are looked for again, seconds since 1970 */
    private array $lookAt = [];

    /** @var array<string, array<string, int>> when it is tried again, by door and person */
    private array $later = [];

    public function __construct(
        private readonly StarterDoors $doors,
        private readonly SiteDoors $siteDoors,
        private readonly Sites $sites,
        private readonly PlatformSettings $settings,
        private readonly StarterLines $lines,
        private readonly People $people,
        private readonly Gate $gate,
        private readonly CallerProvider $callers,
        private readonly Transaction $transaction,
        private readonly Ids $ids,
        private readonly PlatformClock $clock,
        private readonly LoggerInterface $logger,
    ) {}

    /** Looks again at once, however long the last look took. */
    public function wake(): void
    {
        $this->lookAt = [];
    }

    /** Everybody is tried again, as by a process that begins. */
    public function forget(): void
    {
        $this->later = [];
    }

    /** @return int how many came or went */
    public function keep(): int
    {
        $settings = $this->settings->read();
        $starters = self::byKey($settings);
        $doors = $this->doors->byKey();
        $unkept = array_diff_key($starters, $doors);
        $sites = $this->doors->sites(array_column(array_values($unkept), 'site'));
        foreach ($unkept as $key => $starter) {
            if (isset($sites[$starter->site])) {
                $name = $settings->divisions->find($starter->division)->name ?? $starter->division;
                $this->safely(
                    $sites[$starter->site],
                    fn(): array => $this->open($sites[$starter->site], $starter, $name),
                );
            }
        }
        $moved = 0;
        foreach ([] === $unkept ? $doors : $this->doors->byKey() as $key => $door) {
            $moved += $this->one($door, $starters[$key] ?? null, $settings->divisions);
        }

        return $moved;
    }

    /**
     * What starters would do that are put in force. Changes nothing.
     *
     * @return list<StarterWould> of those that would bring or take somebody
     */
    public function would(Settings $after): array
    {
        $doors = $this->doors->byKey();
        $starters = self::byKey($after);
        if ([] === $doors && [] === $starters) {
            return [];
        }
        $sites = $this->doors->sites(array_column($after->starters, 'site'));
        $now = $this->clock->instant();
        $would = [];
        foreach (array_keys($doors + $starters) as $key) {
            $starter = $starters[$key] ?? null;
            $door = $doors[$key] ?? null;
            $site = $door?->door->site->id ?? $sites[$starter->site ?? ''] ?? null;
            $divisions = null === $starter ? [] : $after->divisions->reach([$starter->division]);
            $come =
                null === $starter || null === $site
                    ? []
                    : $this->doors->missing($site, $starter, $divisions, $now, self::MOST);
            $go = null === $door
                ? []
                : $this->doors->over($door->door->id, $starter, $divisions, $now, self::MOST);
            if ([] !== $come || [] !== $go) {
                $would[] = new StarterWould($starter->site ?? $door->site ?? '', \count($come), \count($go));
            }
        }

        return $would;
    }

    /** @return array<string, Starter> by what tells them apart */
    private static function byKey(Settings $settings): array
    {
        $starters = [];
        foreach ($settings->starters as $starter) {
            $starters[$starter->key()] = $starter;
        }

        return $starters;
    }

    private function one(StarterDoor $door, ?Starter $starter, DivisionTree $tree): int
    {
        $id = $door->door->id;
        $began = microtime(true);
        if ($door->door->site->takenBack || ($this->lookAt[$id] ?? 0) > $began) {
            return 0;
        }
        $site = $door->door->site->id;
        $divisions = null === $starter ? [] : $tree->reach([$starter->division]);
        $moved = 0;
        $after = null;
        for ($n = 0; $n < self::IN_A_ROW; ++$n) {
            $now = $this->clock->instant();
            $over = $this->doors->over($id, $starter, $divisions, $now, StarterDoors::AT_ONCE);
            $missing = null === $starter
                ? []
                : $this->doors->missing($site, $starter, $divisions, $now, StarterDoors::AT_ONCE, $after);
            $after = [] === $missing ? $after : $missing[\count($missing) - 1];
            [$go, $come] = [$this->due($id, $over, $now), $this->due($id, $missing, $now)];
            if ([] === $go && [] === $come && \count($missing) < StarterDoors::AT_ONCE) {
                $this->lookAt[$id] = $began + self::REST * (microtime(true) - $began);
                break;
            }
            $done = [] === $go && [] === $come
                ? []
                : $this->safely($site, fn(): array => $this->carry($id, $site, $starter, $tree, $go, $come));
            foreach (array_diff([...$go, ...$come], $done) as $person) {
                $this->later[$id][$person] = $now + self::TRY_AGAIN;
            }
            $moved += \count($done);
        }

        return $moved;
    }

    /**
     * Without those for whom it was of no use a while ago: there was no seat, or a law stood in the way.
     *
     * @param list<string> $people ids
     *
     * @return list<string>
     */
    private function due(string $door, array $people, int $now): array
    {
        $later = $this->later[$door] ?? [];

        return array_values(array_filter($people, static fn(string $id): bool => ($later[$id] ?? 0) <= $now));
    }

    /**
     * @param list<string> $over    ids of those who go
     * @param list<string> $missing ids of those who come
     *
     * @return list<string> ids of those who went or came
     */
    private function carry(
        string $door,
        string $site,
        ?Starter $starter,
        DivisionTree $tree,
        array $over,
        array $missing,
    ): array {
        $access = $this->access($site);

        return [
            ...$this->lines->take($access, $door, $starter, $tree, $over),
            ...null === $starter ? [] : $this->lines->bring($access, $door, $starter, $tree, $missing),
        ];
    }

    /**
     * Begins to keep a starter.
     *
     * @return array{} nobody comes by it yet
     */
    private function open(string $site, Starter $starter, string $name): array
    {
        if (isset($this->doors->byKey()[$starter->key()])) {
            return [];
        }
        $by = $this->settings->by();
        $door = new Door(
            $this->ids->next(),
            $this->sites->known($site),
            'cohort',
            $name,
            madeBy: null === $by ? null : $this->people->known($by),
            madeAt: $this->clock->instant(),
        );
        $this->siteDoors->add($door);
        $this->siteDoors->flush();
        $this->doors->keep($door, $starter);

        return [];
    }

    /** In the name of whoever put the settings in force, with the authority of the door. */
    private function access(string $site): SiteAccess
    {
        $by = $this->settings->by();

        return $this->gate->atDoor($site, null === $by ? Caller::nobody() : $this->callers->anybody($by));
    }

    /**
     * One site that fails leaves the others alone.
     *
     * @param \Closure(): list<string> $work
     *
     * @return list<string> nobody where it failed
     */
    private function safely(string $site, \Closure $work): array
    {
        try {
            return $this->transaction->job([$site], $work);
        } catch (\Throwable $thrown) {
            $this->logger->error('A starter site was not kept in step.', ['site' => $site, 'exception' => $thrown]);

            return [];
        }
    }
}
