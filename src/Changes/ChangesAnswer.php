<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Removal;

/** Schema `AppliedChanges`: what a change list of one site would do, or did. */
final readonly class ChangesAnswer implements \JsonSerializable
{
    /**
     * @param ?string                $changeList id; null where nothing was applied
     * @param array<int, LineAnswer> $lines
     */
    public function __construct(public ?string $changeList, public array $lines, public ?Removal $removal) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'changeList' => $this->changeList,
            'lines' => $this->lines,
            'removal' => self::removal($this->removal),
        ];
    }

    /** @return array{people: int, here: int}|null */
    public static function removal(?Removal $removal): ?array
    {
        return null === $removal ? null : ['people' => $removal->people, 'here' => $removal->here];
    }
}
