<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Core\Platform\Archive;
use MintDoor\Core\Time\Time;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;

/** Which sites are archived: those that were closed for as many whole terms of their division as the rules say. */
final readonly class ArchivedSites
{
    public function __construct(
        private PlatformSettings $settings,
        private Roles $roles,
        private PlatformClock $clock,
    ) {}

    /** @return ?Fragment that a site `s` is archived; null where none is */
    public function condition(): ?Fragment
    {
        $settings = $this->settings->read();
        $zone = new \DateTimeZone('UTC');
        $today = (new \DateTimeImmutable('@'.$this->clock->instant()))->format('Y-m-d');
        $divisions = $values = $where = [];
        foreach ($settings->divisions->all() as $division) {
            $terms = $settings->termsOf($division->code);
            $before = Archive::closedBefore($terms, $this->roles->limits()->archiveAfter, $today);
            $divisions[(string) $before][] = $division->code;
        }
        $alike = 1 === \count($divisions);
        unset($divisions['']);
        foreach ($divisions as $before => $codes) {
            $n = \count($where);
            $values["archived$n"] = Instant::toSql(Time::startOfDay((string) $before, $zone));
            if ($alike) {
                $where[] = "s.closes_at <= :archived$n";
            } else {
                $values["archivedOf$n"] = $codes;
                $of = "SELECT id FROM division WHERE code IN (:archivedOf$n)";
                $where[] = "(s.closes_at <= :archived$n AND s.division_id IN ($of))";
            }
        }

        return [] === $where ? null : new Fragment('('.implode(' OR ', $where).')', $values);
    }
}
