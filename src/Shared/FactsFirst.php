<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** For an answer that is `$facts`, another one, with members of its own: all of them are members of one JSON object. */
trait FactsFirst
{
    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [...get_object_vars($this->facts), ...array_diff_key(get_object_vars($this), ['facts' => true])];
    }
}
