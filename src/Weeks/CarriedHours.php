<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Sites\TermShift;
use MintDoor\Shared\Ids;

/** Hours that go along where sites are merged or divided, so that everybody keeps the week they had. */
final readonly class CarriedHours
{
    public function __construct(private HoursHandler $hours, private Ids $ids) {}

    /**
     * Has sections of a site meet as another site did: its sections, and as a whole each of those that were made of it.
     *
     * @param string                 $of    id of that site
     * @param array<string, ?string> $map   id of a section here by that of one there; null for this site as a whole
     * @param list<?string>          $whole sections in which those are who met as a whole there
     */
    public function come(string $site, string $of, array $map, array $whole): void
    {
        $kept = $this->hours->kept($site);
        foreach ($this->hours->kept($of) as $one) {
            $into = match (true) {
                null === $one['section'] => $whole,
                \array_key_exists($one['section'], $map) => [$map[$one['section']]],
                default => [],
            };
            foreach ($into as $section) {
                $kept[$this->ids->next()] = ['section' => $section, 'terms' => $one['terms']];
            }
        }
        $this->hours->restore($site, $kept);
    }

    /**
     * Has those meet who met as a whole before others came: in each of their sections.
     *
     * @param list<string> $sections ids
     */
    public function narrow(string $site, array $sections): void
    {
        $kept = [];
        foreach ($this->hours->kept($site) as $id => $one) {
            foreach (null === $one['section'] ? $sections : [$one['section']] as $n => $section) {
                $kept[0 === $n ? $id : $this->ids->next()] = ['section' => $section, 'terms' => $one['terms']];
            }
        }
        $this->hours->restore($site, $kept);
    }

    /**
     * Sections meet no more.
     *
     * @param list<string> $sections ids
     */
    public function drop(string $site, array $sections): void
    {
        $this->hours->restore(
            $site,
            array_filter(
                $this->hours->kept($site),
                static fn(array $one): bool => !\in_array($one['section'], $sections, true),
            ),
        );
    }

    /** Has a site meet in another term as in the one before, each at its own hours. */
    public function move(string $site, TermShift $shift): void
    {
        $moved = [];
        foreach ($this->hours->kept($site) as $id => $one) {
            $hours = HoursCodec::hours((string) $id, $site, $one['section'], $one['terms'])->moved($shift);
            $moved[$id] = ['section' => $one['section'], 'terms' => HoursCodec::terms($hours)];
        }[] === $moved || $this->hours->restore($site, $moved);
    }

    /** @return array<string, mixed> how a site meets, for `putBack()` */
    public function kept(string $site): array
    {
        return $this->hours->kept($site);
    }

    /**
     * Has a site meet as before, unless its hours were changed since; then those of some sections go only.
     *
     * @param array<array-key, mixed> $before   as `kept()`
     * @param array<array-key, mixed> $after
     * @param list<string>            $sections ids
     */
    public function putBack(string $site, array $before, array $after, array $sections): void
    {
        $this->hours->isStill($site, $after)
            ? $this->hours->restore($site, $before)
            : $this->drop($site, $sections);
    }
}
