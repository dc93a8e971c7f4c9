<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('demo:sign-ins', 'Says who of the demo one can sign in as')]
final class DemoSignInsCommand extends Command
{
    public function __construct(private readonly Connection $db)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (!DemoSignIns::live($this->db)) {
            $output->writeln('This platform is not the demo: sign in with your own account.');

            return Command::SUCCESS;
        }
        $output->writeln('Sign in as one of these, with the password '.DemoSignIns::PASSWORD.':');
        foreach (DemoSignIns::AS as $login => $what) {
            $output->writeln(\sprintf('  %-18s %s', $login, $what));
        }

        return Command::SUCCESS;
    }
}
