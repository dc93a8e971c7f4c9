<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** A kind of people that the platform has beside the four: member `kinds` of schema `Platform`. */
final readonly class OwnKindShown
{
    /** @param string $like the one of the four as which they are treated */
    public function __construct(public string $code, public string $name, public string $like) {}
}
