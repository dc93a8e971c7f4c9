<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Schema `Me`: what somebody is told about themselves. */
final readonly class MeAnswer
{
    /**
     * @param list<string> $divisions     codes of the divisions administered
     * @param bool         $readsNumbers  whether they may look at numbers of sites
     * @param bool         $mustChange    whether a password of their own is wanted before anything else
     * @param bool         $seesMailboxes whether there are simulated mailboxes to look into
     * @param ?string      $language      how days and numbers are written, BCP 47; null for as the browser says
     * @param ?string      $timeZone      null for as the browser says
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $login,
        public string $kind,
        public bool $platformAdministrator,
        public array $divisions,
        public bool $mayMakeSites,
        public bool $readsNumbers,
        public bool $mustChange,
        public bool $seesMailboxes,
        public ?string $language,
        public ?string $timeZone,
    ) {}
}
