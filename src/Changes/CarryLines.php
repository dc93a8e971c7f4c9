<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Repository\ChangeStore;
use MintDoor\Core\Changes\Carried;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Summary;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;

/**
 * The lines of people who are carried between sites: computed, stored, and taken back all together. What changes
 * something runs inside a transaction, under the locks of the sites.
 */
final readonly class CarryLines
{
    /** Kinds of change lists that are of such lines, or are taken back as a whole like them. */
    public const KINDS = ['site-merge', 'site-split', 'term-change'];

    private const INTO = 'carry-in';

    private const OUT_OF = 'carry-out';

    /** What takes either back. */
    public const BACK = 'carry-back';

    public function __construct(
        private ChangeContextLoader $contexts,
        private ChangeComputer $computer,
        private ChangeListComputer $lists,
        private LineComputer $lines,
        private LineAnswers $answers,
        private ChangeStore $store,
        private Roles $roles,
    ) {}

    public static function isOf(string $verb): bool
    {
        return \in_array($verb, [self::INTO, self::OUT_OF, self::BACK], true);
    }

    /**
     * What carrying people does in the site they come to, as the caller may do it.
     *
     * @param array<string, Carried> $carried by person id
     * @param int                    $first   position of the first line
     */
    public function into(SiteAccess $access, array $carried, int $first): ComputedList
    {
        return $this->computed(
            $access,
            $carried,
            self::INTO,
            $first,
            fn(ChangeContext $one, string $person): ComputedChange => $this->lines->carryIn($one, $carried[$person]),
        );
    }

    /**
     * What it does in the site they come from, as the caller may do it.
     *
     * @param array<string, Carried> $carried by person id
     * @param ?ComputedList          $there   what they are from then on in place of what they were here; null for what
     *     is left of it
     */
    public function outOf(SiteAccess $access, array $carried, int $first, ?ComputedList $there = null): ComputedList
    {
        $after = [];
        foreach ($there->lines ?? [] as $line) {
            $after[$line->personId()] = $line->change?->timeline;
        }

        return $this->computed(
            $access,
            $carried,
            self::OUT_OF,
            $first,
            fn(ChangeContext $one, string $person): ComputedChange => $this->lines->carryOut(
                $one,
                $carried[$person],
                $after[$person] ?? null,
            ),
        );
    }

    /** @param array<int, string> $lines ids of applied lines of a site, by the positions of those that undo them */
    public function undone(SiteAccess $access, array $lines, bool $carried = true): ComputedList
    {
        return $this->computer->undone($access, $lines, strict: false, carried: $carried);
    }

    public function store(SiteAccess $access, ComputedList $computed, string $changeList): void
    {
        $ready = $computed->ready();
        [] === $ready || $this->store->store($access, $ready, $computed->answers, $changeList);
    }

    /**
     * @param array<string, Carried>                          $carried by person id
     * @param \Closure(ChangeContext, string): ComputedChange $compute of a person, by id
     */
    private function computed(
        SiteAccess $access,
        array $carried,
        string $verb,
        int $first,
        \Closure $compute,
    ): ComputedList {
        $ids = array_map(strval(...), array_keys($carried));
        $people = $this->contexts->people($ids);
        $context = $this->contexts->of($access, $people);
        $byPosition = [] === $ids ? [] : array_combine(range($first, $first + \count($ids) - 1), $ids);
        $computed = $this->lists->inTurn(
            $context,
            $byPosition,
            static fn(ChangeContext $one, int|string $key): ComputedChange => $compute($one, $byPosition[$key]),
        );
        $lines = [];
        foreach ($byPosition as $key => $person) {
            $lines[$key] = new ComputedLine($people[$person], $verb, $computed[$key], asItWas: true);
        }

        return new ComputedList(
            $lines,
            $this->answers->of($access, $lines),
            Summary::of($computed, $access->site, $this->roles->book(), $context->seats),
            null,
        );
    }
}
