<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** In which group one of two who were merged was, so that both can be parted. */
final readonly class LentPlace
{
    /**
     * @param string $split id
     * @param string $group id
     * @param bool   $moved whether the other, who was in none, is in it since
     */
    public function __construct(public string $split, public string $group, public bool $moved) {}

    /** @return list<self> */
    public static function read(mixed $kept): array
    {
        $lent = [];
        foreach ((array) $kept as $one) {
            $one = (array) $one;
            if (\is_string($one['split'] ?? null) && \is_string($one['group'] ?? null)) {
                $lent[] = new self($one['split'], $one['group'], true === ($one['moved'] ?? false));
            }
        }

        return $lent;
    }
}
