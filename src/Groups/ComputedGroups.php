<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Who was put into which group, and what stood in the way. */
final readonly class ComputedGroups
{
    /**
     * @param array<string, string> $places id of the group by person
     * @param int                   $moved  how many would leave a group that they are in
     */
    public function __construct(public array $places, public int $moved, public ?GivenUp $givenUp) {}

    /** @return array<string, mixed> for `read()` */
    public function kept(): array
    {
        return ['places' => $this->places, 'moved' => $this->moved, 'givenUp' => $this->givenUp];
    }

    /** @param array<string, mixed> $kept */
    public static function read(array $kept): self
    {
        $places = [];
        foreach ((array) ($kept['places'] ?? []) as $person => $group) {
            \is_string($group) && ($places[(string) $person] = $group);
        }
        $out = (array) ($kept['givenUp'] ?? []);
        $wish = $out['wish'] ?? null;

        return new self(
            $places,
            \is_int($kept['moved'] ?? null) ? $kept['moved'] : 0,
            \is_int($wish)
                ? new GivenUp($wish, array_values(array_filter((array) ($out['people'] ?? []), is_string(...))))
                : null,
        );
    }
}
