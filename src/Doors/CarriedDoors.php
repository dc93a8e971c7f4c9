<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Doors\Repository\StarterDoors;
use MintDoor\Roster\Entity\Door;
use MintDoor\Sites\Entity\Site;

/**
 * Doors that go along when people are carried to another site: keys, invitations and previews, with everybody who
 * waits or was invited there. Runs inside a transaction, under the locks of both sites.
 */
final readonly class CarriedDoors
{
    public function __construct(private SentenceDoors $doors, private StarterDoors $starters) {}

    /** @return list<Door> of a site, all that may go along */
    public function of(string $site): array
    {
        $starters = array_map(static fn($one): string => $one->door->id, array_values($this->starters->byKey()));

        return array_values(
            array_filter(
                $this->doors->all($site, null),
                static fn(Door $door): bool => null !== $door->terms && !\in_array($door->id, $starters, true),
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
        return array_values(
            array_filter(
                $this->of($site),
                static fn(Door $door): bool => \in_array($door->terms['section'] ?? null, $sections, true),
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
        $choosing = array_filter(
            $this->of($site),
            static fn(Door $door): bool => $door->isOpen()
                && \in_array($door->terms['place'] ?? null, ['choice', 'emptiest'], true),
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
        foreach ($doors as $door) {
            $terms = $door->terms ?? [];
            $led = \is_string($terms['section'] ?? null) ? $terms['section'] : null;
            $leads = null === $led ? $otherwise : $sections[$led] ?? null;
            unset($terms['place'], $terms['section']);
            $door->terms = null === $leads ? $terms : ['place' => 'fixed', 'section' => $leads] + $terms;
            $door->site = $to;
            ++$door->version;
        }
        $this->doors->flush();
        $this->doors->followed(array_map(static fn(Door $door): string => $door->id, $doors));
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
