<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Sites\TermShift;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Repository\People;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Ids;
use MintDoor\Sites\Repository\Sites;

/**
 * What becomes of the doors of a site when its term changes. Doors that whoever changes it may not keep stay as they
 * are. Runs inside a transaction, under the site's lock.
 */
final readonly class TermDoors
{
    /** Kinds that people are let in by, on terms. */
    private const KINDS = [DoorKind::Key, DoorKind::Invitation, DoorKind::Preview];

    public function __construct(
        private SentenceDoors $doors,
        private DoorKeys $keys,
        private CarriedDoors $carried,
        private DoorAuthority $authority,
        private Sites $sites,
        private People $people,
        private History $history,
        private Ids $ids,
    ) {}

    /** Opens the doors of a site for another term: with fresh keys, and dates moved along with the terms. */
    public function renew(SiteAccess $access, ?TermShift $shift): TermDoorsDone
    {
        return $this->each($access, function (SentenceDoor $door) use ($access, $shift): DoorKept {
            $keyed = DoorKind::Key === $door->kind && 'key' === $door->asked();
            $kept = $this->kept($door, $keyed);
            [$hours, $stay] = self::moved($door, $shift, $access);
            $door->door->fromAt = $hours->from;
            $door->door->untilAt = $hours->until;
            $this->put($door, $stay);
            $keyed && $this->keys->fresh($door->id);

            return $kept;
        });
    }

    public function shut(SiteAccess $access): TermDoorsDone
    {
        return $this->each($access, function (SentenceDoor $door): DoorKept {
            $kept = $this->kept($door, false);
            $door->door->state = 'shut';

            return $kept;
        });
    }

    /**
     * Makes the doors of a site once more in another one, each with a key of its own.
     *
     * @param array<string, ?string> $sections id of a section there by that of one here
     */
    public function copy(SiteAccess $from, SiteAccess $to, array $sections, ?TermShift $shift): TermDoorsDone
    {
        $names = $left = [];
        foreach ($this->open($from) as $door) {
            $section = null === $door->policy->section ? null : $sections[$door->policy->section] ?? null;
            [$hours, $stay] = self::moved($door, $shift, $to);
            $terms = ['stayUntil' => $stay, 'section' => $section] + ($door->door->terms ?? []);
            if ('fixed' === $door->policy->place && null === $section) {
                $terms['place'] = 'none';
            }
            $like = new Door(
                $this->ids->next(),
                $this->sites->known($to->site->id),
                $door->kind->value,
                $door->door->name,
                terms: DoorPolicyCodec::write(DoorPolicyCodec::read($terms)),
                fromAt: $hours->from,
                untilAt: $hours->until,
                madeBy: $this->people->known($to->caller->id),
                madeAt: $to->now,
            );
            $made = SentenceDoor::of($like);
            // Doors at which accounts are made are set up by who may make them.
            $makes = $made->policy->accounts && !$to->caller->administers($to->site->division);
            if ($makes || !$this->authority->gives($to, $made->kind, $made->policy)) {
                $left[] = $door->door->name;
                continue;
            }
            $this->doors->add($like);
            $this->doors->flush();
            'key' === $made->asked() && $this->keys->fresh($like->id);
            $this->note($to, 'door-made', $like);
            $names[] = $like->name;
        }

        return new TermDoorsDone($names, $left, []);
    }

    /**
     * Has doors be as they were before, but for those that were changed since.
     *
     * @param list<DoorKept> $kept
     *
     * @return list<string> names of those that stay as they are
     */
    public function back(SiteAccess $access, array $kept): array
    {
        $stay = [];
        foreach ($kept as $one) {
            $door = $this->doors->all($access->site->id, $one->id)[0] ?? null;
            if (null === $door || $door->version !== $one->version) {
                $stay[] = $door->name ?? '';
                continue;
            }
            $door->state = $one->state;
            $door->fromAt = $one->fromAt;
            $door->untilAt = $one->untilAt;
            $this->put(SentenceDoor::of($door), $one->stayUntil);
            ++$door->version;
            $this->doors->flush();
            if (null !== $one->sealed) {
                $this->keys->giveBack($one->id, (string) base64_decode($one->sealed, true));
            }
            $this->note($access, 'door-changed', $door);
        }

        return $stay;
    }

    /** @param \Closure(SentenceDoor): DoorKept $change */
    private function each(SiteAccess $access, \Closure $change): TermDoorsDone
    {
        $names = $left = $kept = [];
        foreach ($this->open($access) as $door) {
            if (!$this->authority->gives($access, $door->kind, $door->policy)) {
                $left[] = $door->door->name;
                continue;
            }
            $before = $change($door);
            $door->door->keptBy($this->people->known($access->caller->id));
            $this->doors->flush();
            $this->note($access, 'door-changed', $door->door);
            $names[] = $door->door->name;
            $kept[] = new DoorKept(...[...get_object_vars($before), 'version' => $door->door->version]);
        }

        return new TermDoorsDone($names, $left, $kept);
    }

    /** @return list<SentenceDoor> those that nobody shut, also those whose time is over */
    private function open(SiteAccess $access): array
    {
        $open = [];
        foreach ($this->carried->of($access->site->id) as $door) {
            if (null !== $door->terms && $door->isOpen()) {
                $sentence = SentenceDoor::of($door);
                \in_array($sentence->kind, self::KINDS, true) && ($open[] = $sentence);
            }
        }

        return $open;
    }

    /**
     * Its dates in the other term; what would be over by now is open to the end of that one.
     *
     * @return array{Window, ?int} its hours, and to which day people stay
     */
    private static function moved(SentenceDoor $door, ?TermShift $shift, SiteAccess $access): array
    {
        $until = $shift?->end($door->hours->until) ?? $door->hours->until;
        if ($until <= $access->now) {
            $until = $access->site->termEnds > $access->now ? $access->site->termEnds : Time::FOREVER;
        }
        $from = $shift?->begin($door->hours->from) ?? $door->hours->from;
        $stay = $door->policy->stayUntil;

        return [
            new Window($from < $until ? $from : Time::BEGINNING, $until),
            null === $stay ? null : max($access->now + 1, $shift?->end($stay) ?? $stay),
        ];
    }

    private function put(SentenceDoor $door, ?int $stayUntil): void
    {
        if ($stayUntil !== $door->policy->stayUntil) {
            $terms = ['stayUntil' => $stayUntil] + ($door->door->terms ?? []);
            $door->door->terms = DoorPolicyCodec::write(DoorPolicyCodec::read($terms));
        }
    }

    private function kept(SentenceDoor $door, bool $key): DoorKept
    {
        $sealed = $key ? $this->keys->kept($door->id) : null;

        return new DoorKept(
            $door->id,
            $door->door->state,
            $door->door->fromAt,
            $door->door->untilAt,
            $door->policy->stayUntil,
            null === $sealed ? null : base64_encode($sealed),
            $door->door->version,
        );
    }

    private function note(SiteAccess $access, string $code, Door $door): void
    {
        $data = ['door' => $door->id, 'name' => $door->name];
        $this->history->write($access->site->id, $access->caller, new Happening($code, $data));
    }
}
