<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Groups\LentPlace;
use MintDoor\People\Facts;
use MintDoor\Plans\LentWish;

/** What parting two who were merged needs. Written by the server alone, into `ChangeList::$undoData`. */
final readonly class MergeKept
{
    /**
     * @param string       $stays     id
     * @param string       $goes      id
     * @param Facts        $before    of who stays
     * @param Facts        $other     of who goes
     * @param bool         $moved     whether the account of who goes became that of who stays
     * @param list<string> $labels    ids of those who stays got from the other
     * @param int          $version   of who stays, afterwards
     * @param ?int         $closedFrom when the account of who goes closed before; null where they had none
     * @param list<string> $details   codes of those who stays got from the other
     * @param list<LentWish> $wishes  of who goes
     * @param list<LentPlace> $places in groups, of who goes
     * @param list<string>    $lists  ids of cohorts whose list who stays was put on
     */
    public function __construct(
        public string $stays,
        public string $goes,
        public Facts $before,
        public Facts $other,
        public bool $moved,
        public array $labels,
        public int $version,
        public ?int $closedFrom,
        public array $details = [],
        public array $wishes = [],
        public array $places = [],
        public array $lists = [],
    ) {}

    /** @param array<string, mixed> $data as `json()` */
    public static function read(array $data): self
    {
        return new self(
            \is_string($data['stays'] ?? null) ? $data['stays'] : '',
            \is_string($data['goes'] ?? null) ? $data['goes'] : '',
            Facts::read((array) ($data['before'] ?? [])),
            Facts::read((array) ($data['other'] ?? [])),
            true === ($data['moved'] ?? false),
            array_values(array_filter((array) ($data['labels'] ?? []), is_string(...))),
            \is_int($data['version'] ?? null) ? $data['version'] : 0,
            \is_int($data['closedFrom'] ?? null) ? $data['closedFrom'] : null,
            array_values(array_filter((array) ($data['details'] ?? []), is_string(...))),
            LentWish::read($data['wishes'] ?? []),
            LentPlace::read($data['places'] ?? []),
            array_values(array_filter((array) ($data['lists'] ?? []), is_string(...))),
        );
    }

    /** @return array<string, mixed> */
    public function json(): array
    {
        return [
            ...get_object_vars($this),
            'before' => $this->before->kept(),
            'other' => $this->other->kept(),
            'wishes' => array_map(get_object_vars(...), $this->wishes),
            'places' => array_map(get_object_vars(...), $this->places),
        ];
    }
}
