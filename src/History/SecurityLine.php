<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\People\PersonName;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** A line of the security log with the names of those it is about. */
final readonly class SecurityLine
{
    /** @param string $data JSON: ids and codes, no names */
    public function __construct(
        public int $sequence,
        public int $at,
        public string $code,
        public string $data,
        public ?string $address,
        public ?string $personId,
        public ?string $personGiven,
        public ?string $personFamily,
        public ?string $personPreferred,
        public ?string $byId,
        public ?string $byGiven,
        public ?string $byFamily,
        public ?string $byPreferred,
        public ?string $siteId,
        public ?string $siteTitle,
    ) {}

    public function shown(): SecurityEntryShown
    {
        return new SecurityEntryShown(
            $this->sequence,
            Instant::toJson($this->at),
            $this->code,
            self::who($this->personId, $this->personGiven, $this->personFamily, $this->personPreferred),
            self::who($this->byId, $this->byGiven, $this->byFamily, $this->byPreferred),
            null === $this->siteId || null === $this->siteTitle
                ? null
                : new SiteName($this->siteId, $this->siteTitle),
            $this->address,
            (object) json_decode($this->data, true),
        );
    }

    private static function who(?string $id, ?string $given, ?string $family, ?string $preferred): ?Somebody
    {
        return null === $id
            ? null
            : new Somebody($id, PersonName::shown((string) $given, (string) $family, $preferred));
    }
}
