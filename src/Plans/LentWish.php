<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** What one of two who were merged had wished, so that both can be parted. */
final readonly class LentWish
{
    /**
     * @param string       $plan     id
     * @param list<string> $sections ids, the first wish first
     * @param int          $saidAt   instant
     * @param bool         $moved    whether it became that of the other, who had said none
     */
    public function __construct(
        public string $plan,
        public array $sections,
        public int $saidAt,
        public bool $moved,
    ) {}

    /** @return list<self> */
    public static function read(mixed $kept): array
    {
        $lent = [];
        foreach ((array) $kept as $one) {
            $one = (array) $one;
            if (\is_string($one['plan'] ?? null) && \is_int($one['saidAt'] ?? null)) {
                $sections = array_values(array_filter((array) ($one['sections'] ?? []), is_string(...)));
                $lent[] = new self($one['plan'], $sections, $one['saidAt'], true === ($one['moved'] ?? false));
            }
        }

        return $lent;
    }
}
