<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** The answer of `makeSites`. */
final readonly class SiteBatchAnswer
{
    /**
     * @param list<SiteBatchRow> $rows
     * @param int                $made       how many were made, or would be
     * @param ?string            $changeList id; null where nothing was made yet
     */
    public function __construct(public array $rows, public int $made, public ?string $changeList) {}
}
