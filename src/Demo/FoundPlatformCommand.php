<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Desk\ReadyWords;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'platform:found',
    'Gives an empty platform its roles, a division and a first administrator, and prints a link to set their '
        .'password',
)]
final class FoundPlatformCommand extends Command
{
    private const LINK_HOLDS = 86_400;

    public function __construct(
        private readonly Connection $db,
        private readonly PlatformClock $clock,
        private readonly ReadyWords $words,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument(
            'address',
            InputArgument::REQUIRED,
            'Where the platform is served, such as http://127.0.0.1:8080',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $now = $this->clock->instant();
        if (false === $this->db->fetchOne('SELECT 1 FROM person LIMIT 1')) {
            $platform = new PlatformBuilder($this->db, $now);
            $division = $platform->division('main', $this->words->division(), timeZone: 'UTC');
            $platform->roles([], [], $this->words->rules());
            $platform->person(
                'staff',
                $division,
                'First',
                'Administrator',
                login: 'administrator',
                platformAdministrator: true,
            );
            $platform->write();
        }
        $person = $this->db->fetchOne(
            "SELECT person_id FROM account WHERE login = 'administrator' AND password_hash IS NULL",
        );
        if (!\is_string($person)) {
            $output->writeln('This platform has people in it already; sign in with your own account.');

            return Command::SUCCESS;
        }
        $token = rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');
        $this->db->executeStatement(
            'DELETE FROM first_password WHERE person_id = ?',
            [$person],
            [ParameterType::BINARY],
        );
        $this->db->insert('first_password', [
            'token_hash' => hash('sha256', $token, true),
            'person_id' => $person,
            'expires_at' => Instant::toSql($now + self::LINK_HOLDS),
        ]);
        $address = $input->getArgument('address');
        $output->writeln(
            'The first administrator signs in as "administrator". Set their password here; the link works once, for a '
                .'day:',
        );
        $output->writeln('  '.(\is_string($address) ? $address : '').'/welcome#'.$token);

        return Command::SUCCESS;
    }
}
