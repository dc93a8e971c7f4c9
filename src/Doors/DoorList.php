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
     * @return list<DoorShown> by what changes next
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
            $doors[] = $this->shown(
                $door,
                $access,
                $standings[$keeper],
                array_map(static fn(array $of): int => $of[$door->id] ?? 0, $numbers),
                $bars,
                $lapsing[$door->id] ?? [],
            );
        }
        // What changes next comes first; what is set up before what is just there.
        $rank = static fn(DoorShown $door): array => [$door->next->at ?? '9999', $door->set ? 0 : 1, $door->name];
        usort($doors, static fn(DoorShown $a, DoorShown $b): int => $rank($a) <=> $rank($b));

        return $doors;
    }

    /**
     * @param ?Standing          $keeper  of whoever keeps the door
     * @param array<string, int> $numbers as `DoorNumbers` has them
     * @param list<int>          $lapsing the instants at which invitations lapse, in order
     */
    private function shown(
        Door $door,
        SiteAccess $access,
        ?Standing $keeper,
        array $numbers,
        ArrivalBars $bars,
        array $lapsing,
    ): DoorShown {
        $own = SentenceDoor::of($door);
        $set = null !== $door->terms;
        $seats = $own->policy->seats;
        $shown = $set && $this->authority->gives($access, $own->kind, $own->policy);

        return new DoorShown(
            id: $door->id,
            kind: $own->asked(),
            name: $door->name,
            version: $door->version,
            set: $set,
            reserved: $door->reserved,
            backed: !$set || $this->authority->backed($access, $own, $keeper),
            state: $own->state($access->now)->value,
            key: $shown ? $this->keys->ofDoor($door->id) : null,
            terms: $set ? self::terms($own, $access) : null,
            came: $numbers['came'] ?? 0,
            through: $numbers['through'] ?? 0,
            waiting: $numbers['waiting'] ?? 0,
            asking: $numbers['asking'] ?? 0,
            asked: $numbers['asked'] ?? 0,
            answered: $numbers['answered'] ?? 0,
            left: null === $seats ? null : max(0, $seats - ($numbers['through'] ?? 0)),
            chart: $bars->at($door->id),
            next: self::next($own, $access->now, $lapsing),
        );
    }

    private static function terms(SentenceDoor $door, SiteAccess $access): TermsShown
    {
        $day = static fn(int $instant): ?string => $instant <= Time::BEGINNING || $instant >= Time::FOREVER
            ? null
            : (new \DateTimeImmutable('@'.$instant))->setTimezone($access->zone())->format('Y-m-d');
        $lastDay = static fn(int $end): ?string => $end >= Time::FOREVER ? null : $day($end - 1);

        return new TermsShown(
            $door->policy,
            $day($door->hours->from),
            $lastDay($door->hours->until),
            null === $door->policy->stayUntil ? null : $day($door->policy->stayUntil - 1),
        );
    }

    /**
     * What a door does by itself next.
     *
     * @param list<int> $lapsing
     */
    private static function next(SentenceDoor $door, int $now, array $lapsing): ?DoorNext
    {
        $changes = DoorState::changesAt($door->door->isOpen(), $door->hours, $now);
        if ([] !== $lapsing && (null === $changes || $lapsing[0] <= $changes)) {
            $thatDay = array_filter($lapsing, static fn(int $at): bool => $at < $lapsing[0] + 86_400);

            return new DoorNext('lapse', Instant::toJson($lapsing[0]), \count($thatDay));
        }

        return null === $changes
            ? null
            : new DoorNext($changes === $door->hours->from ? 'opens' : 'shuts', Instant::toJson($changes), 0);
    }
}
