<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Doors\Repository\StarterDoors;
use MintDoor\Roster\DoorLead;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\LeadsAlong;
use MintDoor\Sites\Entity\Site;

/**
 * Doors that go along when people are carried to another site: keys, invitations and previews, with everybody who
 * waits or was invited there. Runs inside a transaction, under the locks of both sites.
 */
final readonly class CarriedDoors
{
    public function __construct(
        private SentenceDoors $doors,
        private StarterDoors $starters,
        private LeadsAlong $along,
    ) {}

    /** @return list<Door> of a site, all that may go along */
    public function of(string $site): array
    {
        $starters = array_map(static fn($one): string => $one->door->id, array_values($this->starters->byKey()));

        return array_values(
            array_filter(
                $this->doors->all($site, null),
                static fn(Door $door): bool => (null !== $door->terms || self::connects($door))
                    && !\in_array($door->id, $starters, true),
            ),
        );
    }

    /**
     * @param list<string> $sections ids
     *
     * @return list<Door> of a site, those that lead into these sections
     */
    public function into(string $site, array $sections): array
    {
        $doors = $this->of($site);
        $leads = $this->leads($doors);

        return array_values(
            array_filter(
                $doors,
                static fn(Door $door): bool => \in_array($leads[$door->id]->section, $sections, true),
            ),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Door> those that are still of a site
     */
    public function still(string $site, array $ids): array
    {
        return array_values(
            array_filter($this->of($site), static fn(Door $door): bool => \in_array($door->id, $ids, true)),
        );
    }

    /**
     * Names of open doors at which people come into a section by themselves: whichever there is.
     *
     * @return list<string>
     */
    public function choosing(string $site): array
    {
        $doors = $this->of($site);
        $leads = $this->leads($doors);
        $choosing = array_filter(
            $doors,
            static fn(Door $door): bool => $door->isOpen() && $leads[$door->id]->chooses,
        );

        return array_values(array_map(static fn(Door $door): string => $door->name, $choosing));
    }

    /**
     * @param list<Door>             $doors
     * @param array<string, ?string> $sections  id of a section there by the id of the one here; null for none
     * @param ?string                $otherwise where those lead that lead into none
     */
    public function move(array $doors, Site $to, array $sections, ?string $otherwise = null): void
    {
        $led = $this->leads($doors);
        $along = [];
        foreach ($doors as $door) {
            $section = $led[$door->id]->section;
            $leads = null === $section ? $otherwise : $sections[$section] ?? null;
            if (self::connects($door)) {
                $along[$door->id] = $leads;
            } else {
                $terms = $door->terms ?? [];
                unset($terms['place'], $terms['section']);
                $door->terms = null === $leads ? $terms : ['place' => 'fixed', 'section' => $leads] + $terms;
            }
            $door->site = $to;
            ++$door->version;
        }
        $this->doors->flush();
        $this->along->lead($along);
        $this->doors->followed(array_map(static fn(Door $door): string => $door->id, $doors));
    }

    /**
     * @param list<Door> $doors of a site
     *
     * @return list<Door> those that lead into no section of it
     */
    public function intoNone(array $doors): array
    {
        $leads = $this->leads($doors);

        return array_values(
            array_filter($doors, static fn(Door $door): bool => null === $leads[$door->id]->section),
        );
    }

    /**
     * @param list<Door> $doors
     *
     * @return array<string, DoorLead> by id
     */
    private function leads(array $doors): array
    {
        $connects = array_filter($doors, self::connects(...));
        $leads = $this->along->leads(array_values(array_map(static fn(Door $door): string => $door->id, $connects)));
        foreach ($doors as $door) {
            $section = $door->terms['section'] ?? null;
            $leads[$door->id] ??= new DoorLead(
                \is_string($section) ? $section : null,
                \in_array($door->terms['place'] ?? null, ['choice', 'emptiest'], true),
            );
        }

        return $leads;
    }

    private static function connects(Door $door): bool
    {
        return DoorKind::Cohort->value === $door->kind && $door->isOpen();
    }

    /**
     * How many wait for a seat in one of some sections, at doors where they chose it.
     *
     * @param list<string> $sections ids
     */
    public function waitingFor(string $site, array $sections): int
    {
        return $this->doors->waitingFor($site, $sections);
    }
}
