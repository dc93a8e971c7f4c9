<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Somebody of the town. */
final readonly class Resident
{
    /**
     * @param list<string>                                            $given   given names, each as it is written
     * @param string                                                  $family  with its particles
     * @param list<array{kind: string, given: string, family: string}> $further names besides; an empty part is as usual
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $division,
        public ?int $level,
        public bool $open,
        public array $given,
        public bool $hyphened,
        public string $family,
        public ?string $preferred,
        public array $further,
        public string $number,
        public string $login,
        public ?string $email,
        public string $culture,
        public string $household,
    ) {}

    public function givenNames(): string
    {
        return implode($this->hyphened ? '-' : ' ', $this->given);
    }

    public function name(): string
    {
        return $this->givenNames().' '.$this->family;
    }

    /** @return ?array{kind: string, given: string, family: string} with the usual parts put in */
    public function called(string $kind): ?array
    {
        foreach ($this->further as $name) {
            if ($name['kind'] === $kind) {
                return [
                    'kind' => $kind,
                    'given' => '' === $name['given'] ? $this->given[0] : $name['given'],
                    'family' => '' === $name['family'] ? $this->family : $name['family'],
                ];
            }
        }

        return null;
    }
}
