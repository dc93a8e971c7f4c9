<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** What is wrong at one place of a request. */
final readonly class Wrong
{
    public Said $said;

    /**
     * @param string      $pointer a JSON pointer into the body (RFC 6901)
     * @param string|Said $said    the key of a sentence that says what to do
     */
    public function __construct(public string $pointer, public string $code, string|Said $said)
    {
        $this->said = Said::of($said);
    }
}
