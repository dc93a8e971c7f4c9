<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** A UUID as `BulkWriter` puts it into its statements. */
final readonly class BulkId
{
    public string $sql;

    /** @throws \InvalidArgumentException when the text is no UUID */
    public function __construct(string $uuid)
    {
        $hex = str_replace('-', '', $uuid);
        if (32 !== \strlen($hex) || !ctype_xdigit($hex)) {
            throw new \InvalidArgumentException('Not a UUID.');
        }
        $this->sql = '0x'.$hex;
    }
}
