<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Authority;

use MintDoor\Core\Changes\Done;
use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;

/** A small world as it stands after some acts: who is in which site, what was done there, which doors there are. */
final readonly class Play
{
    /**
     * @param array<string, Enrollment>         $enrollments by site and person, `s1 lead`
     * @param array<string, list<Done>>         $lines       applied, by the same keys
     * @param array<string, list<list<Effect>>> $effects     of those lines, in the same order
     * @param list<array{string, string, string}> $doors     site, role and who keeps it
     * @param array<string, string>             $keys        of what stands and was done, by the same keys (`keyOf()`)
     */
    public function __construct(
        public int $now,
        public array $enrollments,
        public array $lines = [],
        public array $effects = [],
        public array $doors = [],
        public array $keys = [],
    ) {}

    /** @param array<string, Enrollment> $enrollments by site and person */
    public static function begun(int $now, array $enrollments): self
    {
        $keys = array_map(static fn(Enrollment $enrollment): string => self::keyOf($enrollment, [], []), $enrollments);

        return new self($now, $enrollments, keys: $keys);
    }

    public function later(int $now): self
    {
        return new self($now, $this->enrollments, $this->lines, $this->effects, $this->doors, $this->keys);
    }

    public function withDoor(string $site, string $role, string $keeper): self
    {
        $doors = $this->doors;
        if (!\in_array([$site, $role, $keeper], $doors, true)) {
            $doors[] = [$site, $role, $keeper];
            sort($doors);
        }

        return new self($this->now, $this->enrollments, $this->lines, $this->effects, $doors, $this->keys);
    }

    /** @param list<Effect> $effects */
    public function applied(string $at, Enrollment $result, array $effects, ?string $undoes = null): self
    {
        $enrollments = $this->enrollments;
        $lines = $this->lines;
        $all = $this->effects;
        $version = \count($lines[$at] ?? []) + 1;
        $enrollments[$at] = $result;
        $lines[$at][] = new Done((string) $version, $version, $undoes);
        $all[$at][] = $effects;

        $keys = [...$this->keys, $at => self::keyOf($result, $lines[$at], $all[$at])];

        return new self($this->now, $enrollments, $lines, $all, $this->doors, $keys);
    }

    /** The same for two worlds that go on alike, however they came about. */
    public function key(): string
    {
        return md5(serialize([$this->now, $this->doors, $this->keys]), true);
    }

    /**
     * Ids are named in the order in which they appear.
     *
     * @param list<Done>         $lines
     * @param list<list<Effect>> $effects of the lines
     */
    private static function keyOf(Enrollment $enrollment, array $lines, array $effects): string
    {
        $names = [];
        $name = static function (?string $id) use (&$names): ?int {
            return null === $id ? null : ($names[$id] ??= \count($names));
        };
        $override = static fn(Override $override): array => [
            $override->kind->name,
            $override->window->from,
            $override->window->until,
            $override->role,
            $override->dates?->from,
            $override->dates?->until,
            $name($override->origin),
            $override->height,
            $override->putBy,
            $override->endedBy,
        ];
        $grant = static fn(Grant $grant): array => [
            $name($grant->id),
            $grant->doorId,
            $grant->role,
            $grant->givenAt,
            $grant->window->from,
            $grant->window->until,
            $grant->acceptedAt,
            $grant->givenBy,
            array_map($override, $grant->overrides),
        ];
        $done = static fn(Done $done, array $of): array => [
            $done->undoes,
            array_map(
                static fn(Effect $effect): array => [
                    $effect->kind->name,
                    $name($effect->grantId),
                    $name($effect->override?->origin),
                ],
                $of,
            ),
        ];

        return md5(
            serialize([
                array_map($grant, $enrollment->grants),
                array_map($override, $enrollment->overrides),
                array_map($done, $lines, $effects),
            ]),
            true,
        );
    }
}
