<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\People\PersonName;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** A change list as it is listed: without what somebody made of it. */
final readonly class ChangeListView
{
    public function __construct(
        public string $id,
        public string $kind,
        public string $title,
        public string $state,
        public int $version,
        public int $madeAt,
        public ?int $changedAt,
        public int $total,
        public int $done,
        public int $applied,
        public ?string $trouble,
        public ?string $tell,
        public string $makerId,
        public string $makerGiven,
        public string $makerFamily,
        public ?string $makerPreferred,
        public ?string $siteId,
        public ?string $siteTitle,
        public ?string $undoes,
    ) {}

    /** @param ?string $undoneBy id of the change list that took it back */
    public function shown(?string $undoneBy): ChangeListShown
    {
        return new ChangeListShown(
            id: $this->id,
            kind: $this->kind,
            title: $this->title,
            state: $this->state,
            version: $this->version,
            site: null === $this->siteId ? null : new SiteName($this->siteId, (string) $this->siteTitle),
            madeAt: Instant::toJson($this->madeAt),
            madeBy: new Somebody(
                $this->makerId,
                PersonName::shown($this->makerGiven, $this->makerFamily, $this->makerPreferred),
            ),
            changedAt: Instant::toJson($this->changedAt ?? $this->madeAt),
            total: $this->total,
            done: $this->done,
            applied: $this->applied,
            trouble: $this->trouble,
            tell: $this->tell,
            undoes: $this->undoes,
            undoneBy: $undoneBy,
        );
    }
}
