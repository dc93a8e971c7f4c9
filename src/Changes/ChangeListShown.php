<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** Schema `ChangeListSummary`: a change list without what somebody made of it. */
final readonly class ChangeListShown
{
    /**
     * @param ?SiteName $site      null where it is of several
     * @param ?string                           $madeAt    instant
     * @param ?string                           $changedAt instant
     * @param int                               $total     lines
     * @param int                               $done      lines that are worked off
     * @param int                               $applied   lines that changed something
     * @param ?string                           $trouble   why it came to a halt
     * @param ?string                           $tell      whether those it is about are told
     * @param ?string                           $undoes    id of the change list it takes back
     * @param ?string                           $undoneBy  id of the change list that took it back
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $title,
        public string $state,
        public int $version,
        public ?SiteName $site,
        public ?string $madeAt,
        public Somebody $madeBy,
        public ?string $changedAt,
        public int $total,
        public int $done,
        public int $applied,
        public ?string $trouble,
        public ?string $tell,
        public ?string $undoes,
        public ?string $undoneBy,
    ) {}
}
