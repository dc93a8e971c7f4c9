<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** What a plan comes to: for how many what decided, and how many got which of their wishes. */
final readonly class Tally
{
    /**
     * @param array<int, int>    $wishes  how many got which wish, 1 for the first; no zeros, the first one first
     * @param array<string, int> $because how many by what decided, all of `Because`
     */
    private function __construct(public array $wishes, public array $because) {}

    /** @param iterable<Why> $why */
    public static function of(iterable $why): self
    {
        $wishes = [];
        $because = array_fill_keys(array_column(Because::cases(), 'value'), 0);
        foreach ($why as $each) {
            ++$because[$each->because->value];
            if (null !== $each->wish) {
                $wishes[$each->wish] = 1 + ($wishes[$each->wish] ?? 0);
            }
        }
        ksort($wishes);

        return new self($wishes, $because);
    }
}
