"""What is done with film: loaded, exposed, wound, cut, weighed, judged; decided from a snapshot."""
