<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * Where the people, the sites and the parts of a division go when it is given up or merged into another. Whatever goes
 * nowhere stays.
 */
final readonly class DivisionMove
{
    /**
     * @param string       $from   code of the division
     * @param ?string      $people code of the division its people go to; null where they stay
     * @param ?string      $sites  the same of its sites
     * @param ?string      $below  the same of the divisions right below it
     * @param bool         $retire whether it is offered no more afterwards
     * @param ?list<string> $moved codes of the divisions that went, of a move that was made; null for all below it
     */
    public function __construct(
        public string $from,
        public ?string $people,
        public ?string $sites,
        public ?string $below,
        public bool $retire,
        public ?array $moved = null,
    ) {}

    /** @return array<string, string> what is wrong, by the field it is about; none where it can be looked at */
    public function refusals(DivisionTree $tree): array
    {
        if (null === $tree->find($this->from)) {
            return ['from' => 'no-such-division'];
        }
        $wrong = [];
        foreach (['people' => $this->people, 'sites' => $this->sites, 'below' => $this->below] as $field => $to) {
            $division = null === $to ? null : $tree->find($to);
            $refusal = match (true) {
                null === $to => null,
                null === $division => 'no-such-division',
                $to === $this->from => 'same-division',
                $division->retired => 'retired-division',
                'below' === $field && $tree->within($to, $this->from) => 'below-itself',
                default => null,
            };
            if (null !== $refusal) {
                $wrong[$field] = $refusal;
            }
        }
        $nothing = null === $this->people && null === $this->sites && null === $this->below && !$this->retire;

        return [] === $wrong && $nothing ? ['people' => 'nothing-moves'] : $wrong;
    }

    /** Whether somebody of a level may go: to a division whose levels have it. */
    public function takes(?int $level, DivisionTree $tree): bool
    {
        $levels = null === $this->people ? null : $tree->levels($this->people);

        return null === $level || null === $levels || $levels->has($level);
    }

    /** @return list<string> codes of the divisions that go */
    public function goes(DivisionTree $tree): array
    {
        if (null === $this->below) {
            return [];
        }
        $below = array_filter($tree->all(), fn(Division $each): bool => $each->parent === $this->from);

        return array_column($below, 'code');
    }

    /** The divisions after it. */
    public function after(DivisionTree $tree): DivisionTree
    {
        $goes = $this->goes($tree);

        return self::each($tree, fn(Division $each): Division => match (true) {
            $this->retire && $each->code === $this->from => $each->with(retired: true),
            \in_array($each->code, $goes, true) => $each->with(parent: $this->below),
            default => $each,
        });
    }

    /** The divisions as they are now, with what it did to them put back wherever nobody did something else since. */
    public function back(DivisionTree $tree): DivisionTree
    {
        return self::each($tree, fn(Division $each): Division => match (true) {
            $this->retire && $each->code === $this->from => $each->with(retired: false),
            \in_array($each->code, $this->moved ?? [], true) && $each->parent === $this->below => $each->with(
                parent: $this->from,
            ),
            default => $each,
        });
    }

    /** @param \Closure(Division): Division $how */
    private static function each(DivisionTree $tree, \Closure $how): DivisionTree
    {
        return new DivisionTree(array_map($how, $tree->all()));
    }
}
