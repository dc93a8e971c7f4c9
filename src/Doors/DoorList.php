<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\DoorState;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Time\Time;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Doors\Repository\DoorNumbers;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;

/** Every way into a site, as those see it who keep its doors. */
final readonly class DoorList
{
    public function __construct(
        private SentenceDoors $doors,
        private DoorNumbers $numbers,
        private DoorKeys $keys,
        private DoorAuthority $authority,
    ) {}

    /**
     * @param ?string $only id of the one that is wanted
     *
     * @return list<array<string, mixed>> schema `Door`, by what changes next
     */
    public function of(SiteAccess $access, ?string $only = null): array
    {
        $site = $access->site->id;
        $numbers = $this->numbers->of($site, DoorContextLoader::holding(), $access->now);
        $bars = ArrivalBars::of($this->numbers->arrivals($site, $access->now), $access->now, $access->zone());
        $lapsing = $this->numbers->lapsing($site, $access->now);
        $standings = $doors = [];
        foreach ($this->doors->all($site, $only) as $door) {
            $keeper = $door->madeBy->id ?? '';
            if (!\array_key_exists($keeper, $standings)) {
                $standings[$keeper] = $this->authority->keeper($site, '' === $keeper ? null : $keeper);
            }
            $doors[] = $this->json(
                $door,
                $access,
                $standings[$keeper],
                array_map(static fn(array $of): int => $of[$door->id] ?? 0, $numbers),
                $bars,
                $lapsing[$door->id] ?? [],
            );
        }
        // What changes next comes first; what is set up before what is just there.
        usort(
            $doors,
            static fn(array $a, array $b): int => [$a['next']['at'] ?? '9999', $a['set'] ? 0 : 1, $a['name']] <=> [
                $b['next']['at'] ?? '9999',
                $b['set'] ? 0 : 1,
                $b['name'],
            ],
        );

        return $doors;
    }

    /**
     * @param ?Standing          $keeper  of whoever keeps the door
     * @param array<string, int> $numbers as `DoorNumbers` has them
     * @param list<int>          $lapsing the instants at which invitations lapse, in order
     *
     * @return array<string, mixed> schema `Door`
     */
    private function json(
        Door $door,
        SiteAccess $access,
        ?Standing $keeper,
        array $numbers,
        ArrivalBars $bars,
        array $lapsing,
    ): array {
        $own = SentenceDoor::of($door);
        $set = null !== $door->terms;
        $seats = $own->policy->seats;
        $shown = $set && $this->authority->gives($access, $own->kind, $own->policy);

        return [
            'id' => $door->id,
            'kind' => $own->asked(),
            'name' => $door->name,
            'version' => $door->version,
            'set' => $set,
            'reserved' => $door->reserved,
            'backed' => !$set || $this->authority->backed($access, $own, $keeper),
            'state' => $own->state($access->now)->value,
            'key' => $shown ? $this->keys->ofDoor($door->id) : null,
            'terms' => $set ? self::terms($own, $access) : null,
            ...$numbers,
            'left' => null === $seats ? null : max(0, $seats - ($numbers['through'] ?? 0)),
            'chart' => $bars->at($door->id),
            'next' => self::next($own, $access->now, $lapsing),
        ];
    }

    /** @return array<string, mixed> schema `DoorTerms`: as `DoorRequest`, without kind, name and key */
    private static function terms(SentenceDoor $door, SiteAccess $access): array
    {
        $policy = $door->policy;
        $day = static fn(int $instant): ?string => $instant <= Time::BEGINNING || $instant >= Time::FOREVER
            ? null
            : (new \DateTimeImmutable('@'.$instant))->setTimezone($access->zone())->format('Y-m-d');
        $shown = get_object_vars($policy);
        unset($shown['stayUntil'], $shown['listed']);

        return [
            ...$shown,
            'fromDay' => $day($door->hours->from),
            'untilDay' => $door->hours->until >= Time::FOREVER ? null : $day($door->hours->until - 1),
            'stayDay' => null === $policy->stayUntil ? null : $day($policy->stayUntil - 1),
        ];
    }

    /**
     * What a door does by itself next.
     *
     * @param list<int> $lapsing
     *
     * @return array{what: string, at: ?string, n: int}|null
     */
    private static function next(SentenceDoor $door, int $now, array $lapsing): ?array
    {
        $changes = DoorState::changesAt($door->door->isOpen(), $door->hours, $now);
        if ([] !== $lapsing && (null === $changes || $lapsing[0] <= $changes)) {
            $thatDay = array_filter($lapsing, static fn(int $at): bool => $at < $lapsing[0] + 86_400);

            return ['what' => 'lapse', 'at' => Instant::toJson($lapsing[0]), 'n' => \count($thatDay)];
        }

        return null === $changes
            ? null
            : [
                'what' => $changes === $door->hours->from ? 'opens' : 'shuts',
                'at' => Instant::toJson($changes),
                'n' => 0,
            ];
    }
}
