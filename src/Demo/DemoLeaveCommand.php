<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('demo:leave', 'Empties the demo, to begin a platform of one\'s own; refuses any other platform')]
final class DemoLeaveCommand extends Command
{
    public function __construct(private readonly Connection $db, private readonly WholePlatform $platform)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (false === $this->db->fetchOne('SELECT 1 FROM person LIMIT 1') || $this->platform->onlyFounded()) {
            $output->writeln('This platform is empty already. Nothing was changed.');

            return Command::SUCCESS;
        }
        if (!DemoSignIns::live($this->db)) {
            $output->writeln(
                '<error>The people of this platform are not the demo\'s, so they are not thrown out.</error>',
            );

            return Command::FAILURE;
        }
        $this->platform->empty();
        $output->writeln('The demo is gone. The platform is empty.');

        return Command::SUCCESS;
    }
}
