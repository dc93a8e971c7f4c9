<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Sites\SiteName;

/** What became of a site that was to be taken back: member `lines` of the answer of `undoSites`. */
final readonly class SiteTakenBack
{
    /**
     * @param ?string                          $detail why it could not be; a sentence
     */
    public function __construct(public SiteName $site, public string $verdict, public ?string $detail) {}
}
