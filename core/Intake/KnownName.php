<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\Text\Folding;

/** A further name of somebody; a side that is empty is as usual. */
final readonly class KnownName
{
    /**
     * @param list<string> $given  folded words
     * @param list<string> $family folded words
     */
    public function __construct(public NameKind $kind, public array $given, public array $family) {}

    public static function ofName(FurtherName $name): self
    {
        return self::of($name->kind, $name->given, $name->family);
    }

    public static function of(NameKind $kind, string $given, string $family): self
    {
        return new self($kind, Folding::tokens($given), Folding::tokens($family));
    }
}
