<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\PersonKind;
use MintDoor\Shared\Row;

/** A row of people as a change list keeps it until somebody is made of it, and afterwards. */
final readonly class KeptRow
{
    /** @param ?string $known id of whom of the directory it is for */
    public function __construct(public AccountDraft $draft, public ?string $known) {}

    public static function of(AccountLine $line): self
    {
        return new self($line->draft, $line->known);
    }

    /** @param Row $row with `position` and `row` */
    public static function read(Row $row): self
    {
        $said = $row->json('row');
        $text = static fn(string $field): ?string => \is_string($said[$field] ?? null) ? $said[$field] : null;
        $draft = new AccountDraft(
            $row->int('position'),
            (string) $text('text'),
            (string) $text('given'),
            (string) $text('family'),
            $text('preferred'),
            PersonKind::tryFrom((string) $text('kind')) ?? PersonKind::Learner,
            (string) $text('division'),
            \is_int($said['level'] ?? null) ? $said['level'] : null,
            $text('number'),
            $text('email'),
            $text('login'),
            [],
            $text('ownKind'),
            array_filter((array) ($said['details'] ?? []), is_string(...)),
            FurtherName::ofPlain($said['further'] ?? []),
        );

        return new self($draft, $text('known'));
    }

    public function json(): string
    {
        $draft = $this->draft;

        return json_encode(
            [
                'row' => $draft->row,
                'given' => $draft->given,
                'family' => $draft->family,
                'preferred' => $draft->preferred,
                'kind' => $draft->kind->value,
                'division' => $draft->division,
                'level' => $draft->level,
                'number' => $draft->number,
                'email' => $draft->email,
                'text' => $draft->text,
                'login' => $draft->login,
                'ownKind' => $draft->ownKind,
                'details' => $draft->details,
                'further' => FurtherName::plain($draft->further),
                'known' => $this->known,
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
        );
    }
}
