<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\People\PersonName;
use MintDoor\Shared\Instant;

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

    /** @return array<string, mixed> schema `SecurityEntry` */
    public function json(): array
    {
        return [
            'sequence' => $this->sequence,
            'at' => Instant::toJson($this->at),
            'code' => $this->code,
            'person' => self::who($this->personId, $this->personGiven, $this->personFamily, $this->personPreferred),
            'by' => self::who($this->byId, $this->byGiven, $this->byFamily, $this->byPreferred),
            'site' => null === $this->siteTitle ? null : ['id' => $this->siteId, 'title' => $this->siteTitle],
            'address' => $this->address,
            'data' => (object) json_decode($this->data, true),
        ];
    }

    /** @return array{id: string, name: string}|null */
    private static function who(?string $id, ?string $given, ?string $family, ?string $preferred): ?array
    {
        return null === $id
            ? null
            : ['id' => $id, 'name' => PersonName::shown((string) $given, (string) $family, $preferred)];
    }
}
